<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    sub?: string;
    onclose: () => void;
    children: Snippet;
  }

  let { title, sub, onclose, children }: Props = $props();
</script>

<aside
  class="fixed bottom-4 right-[18px] z-20 flex max-h-[66vh] w-[372px] flex-col rounded-[4px] border border-rule-2 bg-sheet shadow-[0_10px_28px_#12303b26]"
  aria-label={title}
>
  <div class="flex items-baseline gap-2 px-[14px] pt-3">
    <b class="font-semibold">{title}</b><span class="hush">{sub}</span><span class="flex-1"></span>
    <button onclick={onclose} title="Close (Esc)" aria-label="Close"><kbd>Esc</kbd></button>
  </div>
  <div class="min-h-0 overflow-y-auto px-[14px] pb-3 pt-1">{@render children()}</div>
</aside>
