<script lang="ts">
  import { shortDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import { letter, type KeyFigures, type ScenarioView } from './whatif';

  interface Props {
    base: KeyFigures;
    flown: ScenarioView[];
    chosen: string | undefined;
    onchoose: (id: string) => void;
  }

  let { base, flown, chosen, onchoose }: Props = $props();
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

  function changes(one: ScenarioView): string {
    const own = one.changes.filter((change) => !change.of).length;
    const more = one.changes.length - own;
    const mine = own || !more ? `${own} ${own === 1 ? 'change' : 'changes'}` : '';
    return [mine, more ? `${more} of others` : ''].filter(Boolean).join(', ');
  }

  function signed(minor: number): string {
    return minor === 0 ? '·' : (minor > 0 ? '+' : '') + plan.money.full(minor);
  }
</script>

<table class="figures mb-3">
  <thead>
    <tr>
      <th class="words">{plan.money.symbol}</th>
      <th><span class="letter">A</span> Base<small>the plan as it stands</small></th>
      {#each flown as one, i (one.scenario.id)}
        <th class={one.scenario.id === chosen ? 'bg-foam' : ''} aria-current={one.scenario.id === chosen}>
          <button class="hover:underline" onclick={() => onchoose(one.scenario.id)}>
            <span class="letter">{letter(i + 1)}</span>
            {one.scenario.name}
          </button>
          <small>{changes(one)}</small>
        </th>
      {/each}
    </tr>
  </thead>
  <tbody>
    {#each ROWS as row (row.key)}
      <tr>
        <th class="words"><b class="font-semibold">{row.name}</b> <span class="hush">{row.says}</span></th>
        <td class="!h-[38px] {row.bad(base[row.key]) ? 'bad' : ''}">
          {plan.money.full(base[row.key])}
          {#if row.key === 'headroom'}<small class="hush block">{shortDay(base.lowWater)}</small>{/if}
        </td>
        {#each flown as one (one.scenario.id)}
          <td
            class="{row.bad(one.figures[row.key]) ? 'bad font-semibold' : ''} {one.scenario.id === chosen
              ? 'bg-foam'
              : ''}"
          >
            {plan.money.full(one.figures[row.key])}
            <small class="hush block"
              >{signed(one.difference[row.key])}{row.key === 'headroom'
                ? ` · ${shortDay(one.figures.lowWater)}`
                : ''}</small
            >
          </td>
        {/each}
      </tr>
    {/each}
  </tbody>
</table>
