<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import Act from '../../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../../lib/api';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import TargetField from '../TargetField.svelte';
  import { nothingCalled, type Choice, type Measure } from '../whatif';

  interface Props {
    measure: Measure;
    day: string;
  }

  let { measure, day }: Props = $props();
  const plan = getPlan();
  let downWords = $state('');
  let down = $state<Choice>();
  let acrossWords = $state('');
  let across = $state<Choice>();
  let values = $state(5);
  let refusal = $state('');
  let told = $state.raw<{ grid: Schemas['TwoView']; down: string; across: string }>();

  function named(choice: Choice, which: 'down' | 'across'): Record<string, string> {
    const { target } = choice;
    return target.kind === 'assumption'
      ? { [`${which}Path`]: target.path }
      : { [`${which}Line`]: target.kind === 'line' ? target.line : '' };
  }

  async function ask(e: SubmitEvent) {
    e.preventDefault();
    refusal = !down ? nothingCalled(downWords) : !across ? nothingCalled(acrossWords) : '';
    if (!down || !across) return;
    const words = { down: down.words, across: across.words };
    const got = await answer(
      api.GET('/api/plans/{plan}/sensitivity/two', {
        params: {
          path: { plan: plan.id },
          query: { measure, ...(day ? { day } : {}), ...named(down, 'down'), ...named(across, 'across'), values },
        },
      }),
    );
    if (got.ok) told = { grid: got.data, ...words };
    else refusal = got.problem.detail;
  }

  /** The line where it stops holding runs between a level that holds and one that does not. */
  function edges(levels: Schemas['TwoView']['levels'], row: number, column: number): string {
    const holds = (r: number, c: number) => (levels[r]?.levels[c] ?? 0) >= 0;
    const here = holds(row, column);
    const right = column + 1 < levels[row]!.levels.length && holds(row, column + 1) !== here;
    const below = row + 1 < levels.length && holds(row + 1, column) !== here;
    return `${right ? 'border-r-2 !border-r-ochre' : ''} ${below ? 'border-b-2 !border-b-ochre' : ''}`;
  }
</script>

<section class="card mt-3" aria-label="Two at once">
  <h2 class="mb-2 font-semibold">
    Two at once <span class="hush font-normal">the measure in every cell; the line is where it falls below nil</span>
  </h2>
  <form class="flex flex-wrap items-end gap-2" onsubmit={(e) => void ask(e)}>
    <TargetField bind:words={downWords} bind:found={down} label="Down" />
    <TargetField bind:words={acrossWords} bind:found={across} label="Across" />
    <ChoiceField above label="Values of each" bind:value={values} options={[3, 5, 7, 9]} />
    <Act type="submit">Turn both</Act>
    <Refusal words={refusal} class="w-full" />
  </form>
  {#if told}
    {@const grid = told.grid}
    <table class="figures mt-3" aria-label="{told.down} and {told.across}">
      <thead>
        <tr>
          <th class="words"
            >{told.down} <span class="hush">down</span>, {told.across} <span class="hush">across</span></th
          >
          {#each grid.columns as value (value)}<th>{value}{grid.columnsScale ? '%' : ''}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each grid.levels as row, r (r)}
          <tr>
            <th class="words">{grid.rows[r]}{grid.rowsScale ? '%' : ''}</th>
            {#each row.levels as minor, c (c)}
              <td class="{minor !== null && minor < 0 ? 'bad' : ''} {edges(grid.levels, r, c)}"
                >{minor === null ? 'not possible' : plan.money.full(minor)}</td
              >
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</section>
