<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { head } from '../../lib/grid/figures';
  import { Loaded } from '../../lib/loaded.svelte';
  import { MINUS } from '../../lib/money';
  import type { TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import type { By } from './statements';

  let { time, by }: { time: TimeWindow; by: By } = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/statements/ratios', {
        params: { path: { plan: plan.id }, query: { by, from: time.from, to: time.to } },
        signal,
      }),
    );
  });

  function shown(unit: string, value: string): string {
    if (!value) return '–';
    if (unit === 'money') return plan.money.cell(Number(value));
    const text = value.replace('-', MINUS);
    return { percent: `${text}%`, times: `${text}×` }[unit] ?? text;
  }

  const UNITS: Record<string, string> = { days: 'days', months: 'months' };
  let opened = $state<string>();
</script>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if loaded.data}
  <p class="hush mb-1 min-h-[20px]" role="status">
    {opened ?? 'Point at a figure, or move to it with Tab, to see what it is made of.'}
  </p>
  <div class="overflow-auto" style="max-height:calc(100vh - 262px)">
    <table class="figures" aria-label="Ratios">
      <thead class="sticky top-0 z-[2] bg-sheet">
        <tr>
          <th class="words" scope="col">Ratio</th>
          {#each loaded.data.periods.map(head) as column (column.key)}
            <th scope="col">{column.name}<small>{column.sub}</small></th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each loaded.data.ratios as ratio (ratio.id)}
          <tr>
            <th scope="row" class="words {ratio.name.startsWith('of it') ? '!pl-6' : ''}"
              >{ratio.name}{UNITS[ratio.unit] && !ratio.name.startsWith('Days') ? `, ${UNITS[ratio.unit]}` : ''}</th
            >
            {#each ratio.values as value, i (i)}
              <td class="estimated" title={ratio.because[i]}
                ><button
                  class="w-full text-right"
                  onfocus={() => (opened = `${ratio.name}: ${ratio.because[i]}`)}
                  onmouseenter={() => (opened = `${ratio.name}: ${ratio.because[i]}`)}
                  >{shown(ratio.unit, value)}</button
                ></td
              >
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
