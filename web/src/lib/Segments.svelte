<script lang="ts" generics="T extends string">
  interface Props {
    label: string;
    options: readonly { value: T; name: string }[];
    value: T;
    onchoose: (value: T) => void;
    /** Whether each shows another part of the view: one stop for Tab, arrows move, Enter opens. */
    tabs?: boolean;
  }

  let { label, options, value, onchoose, tabs = false }: Props = $props();
  const STEPS: Record<string, (at: number, count: number) => number> = {
    ArrowRight: (at, count) => (at + 1) % count,
    ArrowLeft: (at, count) => (at + count - 1) % count,
    Home: () => 0,
    End: (_, count) => count - 1,
  };

  function onkeydown(e: KeyboardEvent) {
    const step = tabs ? STEPS[e.key] : undefined;
    const group = e.currentTarget as HTMLElement;
    const all = [...group.querySelectorAll<HTMLElement>('[role="tab"]')];
    if (!step || !all.length) return;
    all[step(all.indexOf(document.activeElement as HTMLElement), all.length)]?.focus();
    e.preventDefault();
  }
</script>

<div
  role={tabs ? 'tablist' : 'group'}
  aria-label={label}
  class="inline-flex overflow-hidden rounded-[3px] border border-rule-2 bg-sheet"
  {onkeydown}
>
  {#each options as option (option.value)}
    <button
      class="border-r border-rule px-[10px] py-[3px] last:border-r-0
        {value === option.value ? 'bg-ink font-semibold text-white' : 'text-ink-2 hover:bg-foam'}"
      role={tabs ? 'tab' : undefined}
      aria-selected={tabs ? value === option.value : undefined}
      aria-pressed={tabs ? undefined : value === option.value}
      tabindex={tabs && value !== option.value ? -1 : 0}
      onclick={() => onchoose(option.value)}
    >
      {option.name}
    </button>
  {/each}
</div>
