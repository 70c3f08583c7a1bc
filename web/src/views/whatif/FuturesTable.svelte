<script lang="ts">
  import { shortDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import { letter, type FutureColumn, type KeyFigures } from './whatif';

  interface Props {
    columns: FutureColumn[];
    /** Hears which is chosen, by its key; without it none can be. */
    onchoose?: (key: string) => void;
  }

  let { columns, onchoose }: Props = $props();
  const plan = getPlan();
  type Row = {
    key: 'headroom' | 'cash' | 'peakNeed' | 'closing';
    name: string;
    says: string;
    bad: (minor: number) => boolean;
  };
  const ROWS: Row[] = [
    { key: 'headroom', name: 'Low water', says: 'least headroom, and when', bad: (minor) => minor < 0 },
    { key: 'cash', name: 'Cash', says: 'on that day', bad: (minor) => minor < 0 },
    { key: 'peakNeed', name: 'Peak need', says: 'the most that is drawn', bad: () => false },
    { key: 'closing', name: 'Closing cash', says: 'at the horizon', bad: (minor) => minor < 0 },
  ];

  function signed(minor: number): string {
    return minor === 0 ? '·' : (minor > 0 ? '+' : '') + plan.money.full(minor);
  }

  /** By how much it differs, and of low water when it is. */
  function below(row: Row, figures: KeyFigures, difference: KeyFigures | null): string {
    const day = row.key === 'headroom' ? shortDay(figures.lowWater) : '';
    return [difference ? signed(difference[row.key]) : '', day].filter(Boolean).join(' · ');
  }
</script>

<table class="figures mb-3" aria-label="Key figures">
  <thead>
    <tr>
      <th class="words">{plan.money.symbol}</th>
      {#each columns as one, i (one.key)}
        <th class={one.chosen ? 'bg-foam' : ''} aria-current={one.chosen}>
          {#if onchoose && i > 0}
            <button class="hover:underline" onclick={() => onchoose(one.key)}>
              <span class="letter">{letter(i)}</span>
              {one.name}
            </button>
          {:else}<span class="letter">{letter(i)}</span> {one.name}{/if}
          <small>{one.sub}</small>
        </th>
      {/each}
    </tr>
  </thead>
  <tbody>
    {#each ROWS as row (row.key)}
      <tr>
        <th class="words"><b class="font-semibold">{row.name}</b> <span class="hush">{row.says}</span></th>
        {#each columns as one (one.key)}
          <td
            class="!h-[38px] {one.figures && row.bad(one.figures[row.key]) ? 'bad font-semibold' : ''} {one.chosen
              ? 'bg-foam'
              : ''}"
          >
            {#if one.figures}
              {plan.money.full(one.figures[row.key])}
              <small class="hush block">{below(row, one.figures, one.difference)}</small>
            {/if}
          </td>
        {/each}
      </tr>
    {/each}
  </tbody>
</table>
