<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** Where it stands, in pixels from the left. */
    x: number;
    day: number;
    first?: number;
    last: number;
    label: string;
    /** Its day in words. */
    words: string;
    dayAt: (x: number) => number;
    onmove: (day: number) => void;
    /** Its width in pixels, where it lies and how high it is, and what it looks like. */
    width?: number;
    look?: string;
    children?: Snippet;
  }

  let {
    x,
    day,
    first = 0,
    last,
    label,
    words,
    dayAt,
    onmove,
    width = 10,
    look = 'top-0 h-[80px]',
    children,
  }: Props = $props();
  const STEPS: Record<string, number> = {
    ArrowLeft: -1,
    ArrowRight: 1,
    PageDown: -30,
    PageUp: 30,
    Home: -1e6,
    End: 1e6,
  };

  function onkeydown(e: KeyboardEvent) {
    const step = STEPS[e.key];
    if (step === undefined) return;
    e.preventDefault();
    e.stopPropagation();
    onmove(day + (e.shiftKey ? step * 7 : step));
  }

  function onpointermove(e: PointerEvent) {
    const handle = e.currentTarget as HTMLElement;
    if (!handle.hasPointerCapture(e.pointerId)) return;
    onmove(dayAt(e.clientX - handle.parentElement!.getBoundingClientRect().left));
  }
</script>

<div
  role="slider"
  tabindex="0"
  aria-label={label}
  aria-valuemin={first}
  aria-valuemax={last}
  aria-valuenow={day}
  aria-valuetext={words}
  title="{label} {words}: drag, or arrow keys (Shift for weeks)"
  class="absolute {look} cursor-ew-resize touch-none"
  style="left:{x - width / 2}px;width:{width}px"
  {onkeydown}
  {onpointermove}
  onpointerdown={(e) => (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)}
>
  {#if children}{@render children()}{:else}<div class="mx-auto h-full w-[4px] bg-shoal"></div>{/if}
</div>
