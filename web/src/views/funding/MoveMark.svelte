<script lang="ts">
  interface Props {
    /** Where it stands, in pixels from the left. */
    x: number;
    day: number;
    first: number;
    last: number;
    label: string;
    /** Its day in words. */
    words: string;
    /** Whether it takes money. */
    out: boolean;
    dayAt: (x: number) => number;
    onmove: (day: number) => void;
  }

  let { x, day, first, last, label, words, out, dayAt, onmove }: Props = $props();
  const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageDown: -30, PageUp: 30 };

  function onkeydown(e: KeyboardEvent) {
    const step = STEPS[e.key];
    if (step === undefined) return;
    e.preventDefault();
    e.stopPropagation();
    onmove(day + (e.shiftKey ? step * 7 : step));
  }

  function onpointermove(e: PointerEvent) {
    const mark = e.currentTarget as HTMLElement;
    if (!mark.hasPointerCapture(e.pointerId)) return;
    onmove(dayAt(e.clientX - mark.parentElement!.getBoundingClientRect().left));
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
  title="{label}, {words}"
  class="absolute top-[4px] flex h-[24px] w-[18px] cursor-ew-resize touch-none items-end justify-center"
  style="left:{x - 9}px"
  {onkeydown}
  {onpointermove}
  onpointerdown={(e) => (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)}
>
  <svg width="14" height="22" aria-hidden="true"
    ><path
      d={out ? 'M1 1H13V12L7 21L1 12Z' : 'M7 1L13 10V21H1V10Z'}
      fill={out ? '#b5533c' : '#1d6173'}
      stroke="#fff"
    /></svg
  >
</div>
