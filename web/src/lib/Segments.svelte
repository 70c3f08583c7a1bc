<script lang="ts" generics="T extends string">
  interface Props {
    label: string;
    options: readonly { value: T; name: string }[];
    value: T;
    onchoose: (value: T) => void;
  }

  let { label, options, value, onchoose }: Props = $props();
</script>

<div role="group" aria-label={label} class="inline-flex overflow-hidden rounded-[3px] border border-rule-2 bg-sheet">
  {#each options as option (option.value)}
    <button
      class="border-r border-rule px-[10px] py-[3px] last:border-r-0
        {value === option.value ? 'bg-ink font-semibold text-white' : 'text-ink-2 hover:bg-foam'}"
      aria-pressed={value === option.value}
      onclick={() => onchoose(option.value)}
    >
      {option.name}
    </button>
  {/each}
</div>
