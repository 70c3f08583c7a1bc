<script lang="ts">
  import type { LineView } from '../../../../lib/api';
  import { monthName } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import Refusal from '../../../../lib/Refusal.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import Segments from '../../../../lib/Segments.svelte';
  import type { Netting, Save } from '../../save';

  interface Props {
    months: LineView['left'];
    paid: boolean;
    netting: Netting;
    save: Save<Netting>;
  }

  let { months, paid, netting, save }: Props = $props();
  const plan = getPlan();
  const said = new Said();
  const rows = $derived([
    { name: 'planned', of: (one: LineView['left'][number]) => one.planned },
    { name: paid ? 'less billed' : 'less invoiced', of: (one: LineView['left'][number]) => one.invoiced },
    { name: 'less on order', of: (one: LineView['left'][number]) => one.onOrder },
    { name: 'left', of: (one: LineView['left'][number]) => one.left },
    { name: 'over by', of: (one: LineView['left'][number]) => one.overBy },
  ]);
  const LEFT = [
    { value: 'catch-up', name: 'all that is left' },
    { value: 'run-rate', name: "the plan's rate" },
  ] as const;
</script>

<section class="card mb-2.5 overflow-x-auto" aria-label="Left of the plan">
  <div class="mb-1 flex items-center gap-3">
    <b class="flex-1 font-semibold">Left of the plan, month by month</b>
    <span class="hush">of a month under way expect</span>
    <Segments
      label="What is left of a month under way"
      options={LEFT}
      value={netting.left}
      onchoose={(left) =>
        void said.of(
          save(
            (now) => ({ ...now, left }),
            left === 'run-rate' ? "goes on at the plan's rate" : 'catches up what is left',
          ),
        )}
    />
    <span class="hush">{plan.money.words}</span>
  </div>
  <table class="figures">
    <thead>
      <tr>
        <th class="words" scope="col"></th>
        {#each months as one (one.month)}<th scope="col"
            >{monthName(one.month)}<small>{one.month.slice(0, 4)}</small></th
          >{/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as row (row.name)}
        <tr class={row.name === 'left' ? 'bg-foam font-[650]' : ''}>
          <th scope="row" class="words">{row.name}</th>
          {#each months as one (one.month)}<td title={plan.money.sum(row.of(one))}>{plan.money.cell(row.of(one))}</td
            >{/each}
        </tr>
      {/each}
    </tbody>
  </table>
  <Refusal words={said.words} class="mt-1" />
</section>
