<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';

  type Row = Schemas['VarianceRow'];

  interface Props {
    rows: Row[];
  }

  let { rows }: Props = $props();
  const plan = getPlan();
  const lines = $derived(rows.filter((row) => ['line', 'gone_line', 'unassigned', 'transfers'].includes(row.kind)));
  const most = $derived(Math.max(1, ...lines.map((row) => Math.abs(row.variance))));
  /** What stays in sight while the lines above are scrolled. */
  const FEET = ['net', 'closing'];
  const STRONG = ['section', 'group', 'net', 'closing'];

  function percent(row: Row): string {
    if (row.percentHundredths === null) return row.actual ? 'new' : '';
    const whole = Math.round(Math.abs(row.percentHundredths) / 100);
    return `${row.percentHundredths < 0 ? '−' : '+'}${whole.toLocaleString('en-GB')}%`;
  }

  function signed(minor: number): string {
    const shown = plan.money.cell(minor);
    return minor > 0 && /[1-9]/.test(shown) ? '+' + shown : shown;
  }
</script>

<table class="figures" aria-label="Forecast against actual">
  <thead class="sticky top-0 bg-sheet">
    <tr>
      <th class="words" scope="col">{plan.money.words}</th><th scope="col">Forecast</th><th scope="col">Actual</th>
      <th scope="col">Variance</th><th scope="col">%</th><th class="words" scope="col">Unfavourable ◂ ▸ favourable</th>
    </tr>
  </thead>
  <tbody>
    {#each rows.filter((row) => !FEET.includes(row.kind)) as row (row.id)}{@render line(row)}{/each}
  </tbody>
  <tfoot class="sticky bottom-0 bg-sheet">
    {#each rows.filter((row) => FEET.includes(row.kind)) as row (row.id)}{@render line(row)}{/each}
  </tfoot>
</table>

{#snippet line(row: Row)}
  <tr
    class="{STRONG.includes(row.kind) ? 'font-[650]' : ''} {row.kind === 'closing' ? 'bg-foam' : ''}
    {row.kind === 'section' ? 'bg-[#fcfbf7]' : ''} {row.kind === 'net' ? 'border-t border-t-ink' : ''}"
  >
    <th scope="row" class="words" style="padding-left:{7 + row.depth * 16}px">
      {row.name}{row.kind === 'gone_line' ? ' (deleted since)' : ''}
    </th>
    <td class="estimated" title={plan.money.sum(row.forecast)}>{plan.money.cell(row.forecast)}</td>
    <td title={plan.money.sum(row.actual)}>{plan.money.cell(row.actual)}</td>
    <td
      class={row.variance < 0 ? 'bad' : ''}
      title="{plan.money.sum(row.variance)}, {row.variance < 0 ? 'unfavourable' : 'favourable'}"
      >{signed(row.variance)}</td
    >
    <td class="hush">{percent(row)}</td>
    <td class="words w-[220px]">
      {#if lines.includes(row)}
        <svg
          width="200"
          height="14"
          class="block"
          role="img"
          aria-label={row.variance < 0 ? 'unfavourable' : row.variance > 0 ? 'favourable' : 'as forecast'}
        >
          <path d="M100 0V14" stroke="#cfc8b5" />
          <rect
            x={row.variance < 0 ? 100 - (96 * -row.variance) / most : 100}
            y="2"
            width={(96 * Math.abs(row.variance)) / most}
            height="10"
            fill={row.variance < 0 ? '#b23a24' : '#2a8397'}
          />
        </svg>
      {/if}
    </td>
  </tr>
{/snippet}
