<script lang="ts">
  import { onMount, type Snippet } from 'svelte';

  interface Props {
    title: string;
    sub?: string;
    /** Whether it takes the keys when it opens: not where it follows a grid that goes on with them. */
    takes?: boolean;
    onclose: () => void;
    children: Snippet;
  }

  let { title, sub, takes = false, onclose, children }: Props = $props();
  let panel = $state<HTMLElement>();
  /** What had the keys before the panel. */
  let before: Element | null = document.activeElement;

  onMount(() => {
    if (takes) panel?.focus();
  });

  const hasKeys = () => !!panel?.contains(document.activeElement);

  function giveBack() {
    if (before instanceof HTMLElement && before.isConnected) before.focus();
  }

  function takeKeys() {
    before = document.activeElement;
    panel?.focus();
  }

  function close() {
    const had = hasKeys();
    onclose();
    if (had) giveBack();
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'Escape') close();
    else if (e.key === 'F6') {
      if (hasKeys()) giveBack();
      else takeKeys();
      e.preventDefault();
    }
  }
</script>

<svelte:window {onkeydown} />
<aside
  bind:this={panel}
  tabindex="-1"
  class="fixed bottom-4 right-[18px] z-20 flex max-h-[66vh] w-[372px] flex-col rounded-[4px] border border-rule-2 bg-sheet shadow-[0_10px_28px_#12303b26]"
  aria-label={title}
>
  <div class="flex items-baseline gap-2 px-[14px] pt-3">
    <b class="font-semibold">{title}</b><span class="hush">{sub}</span><span class="flex-1"></span>
    <button onclick={close} title="Close (Esc)" aria-label="Close"><kbd>Esc</kbd></button>
  </div>
  <div class="min-h-0 overflow-y-auto px-[14px] pb-3 pt-1">{@render children()}</div>
</aside>
