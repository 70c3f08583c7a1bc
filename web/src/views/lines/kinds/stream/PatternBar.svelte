<script lang="ts">
  import { delayWords, paint, type PatternDraft } from './pattern';

  interface Props {
    draft: PatternDraft;
    /** A boundary after a part, counted from 0, is moved by whole percents. */
    onmove: (boundary: number, percents: number) => void;
    /** The move is over. */
    ondone: () => void;
  }

  let { draft, onmove, ondone }: Props = $props();
  let width = $state(960);
  let dragged = $state<{ boundary: number; x: number }>();
  const segments = $derived([
    ...draft.steps.map((step, i) => ({
      share: step.share,
      words: delayWords(step.lag) + (Number(step.discount) ? ` · less ${step.discount}%` : ''),
      paint: paint(i),
      dark: i < 2,
      never: false,
    })),
    { share: draft.never, words: 'never', paint: '#f1e6cc', dark: false, never: true },
  ]);

  function size(share: string): number {
    return Math.max(0, Number(share) || 0);
  }

  function onpointermove(e: PointerEvent) {
    if (!dragged) return;
    const percents = Math.trunc(((e.clientX - dragged.x) / width) * 100);
    if (percents === 0) return;
    onmove(dragged.boundary, percents);
    dragged = { ...dragged, x: dragged.x + (percents / 100) * width };
  }

  function grab(e: PointerEvent, boundary: number) {
    (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
    dragged = { boundary, x: e.clientX };
  }

  function release() {
    if (dragged) ondone();
    dragged = undefined;
  }

  function onkeydown(e: KeyboardEvent, boundary: number) {
    const step = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
    if (!step) return;
    e.preventDefault();
    onmove(boundary, step);
    ondone();
  }
</script>

<div
  class="flex h-[46px] overflow-hidden rounded-[3px]"
  bind:clientWidth={width}
  aria-label="The pattern as a bar"
  role="group"
>
  {#each segments as segment, i (i)}
    {#if size(segment.share) > 0}
      <div
        class="relative min-w-0 overflow-hidden whitespace-nowrap px-2 py-1 {segment.never
          ? 'text-ochre'
          : segment.dark
            ? 'text-white'
            : 'text-ink'}"
        style="flex:{size(segment.share)} 0 0;background:{segment.paint}"
        title="{segment.share}% {segment.words}"
      >
        <b class="text-[15px] font-semibold">{segment.share}%</b><br /><span class="text-[12px]">{segment.words}</span>
      </div>
    {/if}
    {#if i < segments.length - 1}
      <div
        role="slider"
        tabindex="0"
        aria-label="Boundary after {segment.words}"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={size(segment.share)}
        title="Drag, or arrow keys: a percent at a time"
        class="w-[5px] shrink-0 cursor-ew-resize touch-none bg-white"
        onpointerdown={(e) => grab(e, i)}
        {onpointermove}
        onpointerup={release}
        onkeydown={(e) => onkeydown(e, i)}
      ></div>
    {/if}
  {/each}
</div>
