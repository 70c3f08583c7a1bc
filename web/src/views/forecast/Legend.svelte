<script lang="ts">
  import { getPlan } from '../../lib/plan.svelte';

  const plan = getPlan();
</script>

<div class="hush mt-2 flex flex-wrap gap-x-4 gap-y-1 text-[12px]" aria-label="Legend">
  <span><span class="text-ink">1,234</span> settled or committed</span>
  <span><span class="estimated">1,234</span> estimated</span>
  <span><span class="settled-column px-1.5">&nbsp;</span> settled period</span>
  <span><span class="as-of pl-1.5"></span>as-of date</span>
  <span><span class="overridden text-ink">1,234</span> overridden</span>
  <span><span class="buoy" aria-hidden="true"></span>buoy</span>
  <span><span class="bad">!</span> overdue</span>
  {#if plan.view?.shown}
    <span><span class="notch !static inline-block" aria-hidden="true"></span> differs from the base</span>
  {/if}
  <span>
    headroom: <span class="bad px-1" style="background:#f1e6cc">−1</span><span class="px-1.5" style="background:#f1e6cc"
      >&nbsp;</span
    ><span class="px-1.5" style="background:#e4f1ee">&nbsp;</span><span class="px-1.5" style="background:#cfe8e5"
      >&nbsp;</span
    ><span class="px-1.5" style="background:#b4dada">&nbsp;</span><span class="px-1.5" style="background:#98cbce"
      >&nbsp;</span
    > deeper is more room
  </span>
  <span class="flex-1"></span>
  <span><kbd>Enter</kbd> workings <kbd>0–9</kbd> override <kbd>B</kbd> buoy <kbd>?</kbd> keys</span>
</div>
