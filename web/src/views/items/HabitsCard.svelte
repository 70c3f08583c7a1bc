<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import HabitPicture from './HabitPicture.svelte';

  interface Props {
    side: 'RECEIPT' | 'PAYMENT';
  }

  let { side }: Props = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/items/habits', {
        params: { path: { plan: plan.id }, query: { direction: side } },
        signal,
      }),
    );
  });
  const view = $derived(loaded.data);

  /** Says how a counterparty pays; nothing typed leaves it to its habit. */
  async function say(counterparty: string, typed: string): Promise<string> {
    const text = typed.trim();
    if (text && !/^[-\u2212]?\d{1,3}$/.test(text))
      return `'${typed}' is no number of days: type one such as 12, or -3 for early.`;
    const direction = side === 'RECEIPT' ? ('receipt' as const) : ('payment' as const);
    const problem = await plan.putSettings((now) => {
      const others = (now.habits ?? []).filter(
        (one) => one.direction !== direction || one.counterparty !== counterparty,
      );
      const days = Number(text.replace('\u2212', '-'));
      return { ...now, habits: text ? [...others, { direction, counterparty, days }] : others };
    });
    return problem?.detail ?? '';
  }

  function usual(days: number): string {
    return days === 0
      ? 'when due'
      : `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days > 0 ? 'late' : 'early'}`;
  }
</script>

{#if view}
  {#if view.backtested}
    <p class="mb-2">
      Of {view.backtested} items paid after their due date, habits were wrong by {view.habitError.toFixed(1)} days on average,
      due dates by {view.dueError.toFixed(1)}.
    </p>
  {/if}
  {#if view.counterparties.length}
    <table class="figures" aria-label="Habits of counterparties">
      <thead>
        <tr>
          <th class="words" scope="col">Counterparty</th><th class="words" scope="col">Usually pays</th><th scope="col"
            >Paid items</th
          ><th class="words" scope="col">Days early or late</th><th class="words w-full" scope="col">Expect instead</th>
        </tr>
      </thead>
      <tbody>
        {#each view.counterparties as one (one.counterparty)}
          <tr>
            <th class="words font-normal" scope="row">{one.counterparty}</th>
            <td class="words">{usual(one.days)}</td>
            <td>{one.items}</td>
            <td class="words"><HabitPicture daysLate={one.daysLate} usual={one.days} /></td>
            <td class="words">
              <TypedField
                name="Days late to expect of {one.counterparty}"
                value={one.said === null ? '' : String(one.said)}
                placeholder="by habit"
                class="w-[76px]"
                after="days late"
                onput={(typed) => say(one.counterparty, typed)}
              />
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="card">
      Habits are learnt from paid items: bring in a list that has them, with the day each was paid. Until then items are
      expected when they are due.
    </p>
  {/if}
{:else if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{/if}
