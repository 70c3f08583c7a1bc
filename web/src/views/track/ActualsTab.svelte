<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { longDay, noDay, readDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { Rolling } from '../roll/rolling';
  import ActualsTable from './ActualsTable.svelte';

  const plan = getPlan();
  const rolling = new Rolling(plan);
  let from = $state<string>();
  let to = $state<string>();
  let account = $state<string>();

  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/actuals', {
        params: {
          path: { plan: plan.id },
          query: { ...(from ? { from } : {}), ...(to ? { to } : {}), ...(account ? { account } : {}) },
        },
        signal,
      }),
    );
  });
  const data = $derived(loaded.data);

  const roll = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/roll', { params: { path: { plan: plan.id } }, signal }));
  });

  /** While the plan is rolled forward, that is where its as-of date moves. */
  function moveTo(asOf: string) {
    const underWay = roll.data && roll.data.number > 0 && !roll.data.done;
    return underWay ? rolling.to(asOf) : plan.putSettings((now) => ({ ...now, asOf }));
  }

  function day(put: (day: string) => void) {
    return (typed: string): string => {
      const read = readDay(typed);
      if (!read) return noDay(typed);
      put(read);
      return '';
    };
  }
</script>

<div class="mb-2 flex items-center gap-3">
  <TypedField label="from" value={data ? longDay(data.from) : ''} onput={day((d) => (from = d))} class="w-[100px]" />
  <TypedField label="to" value={data ? longDay(data.to) : ''} onput={day((d) => (to = d))} class="w-[100px]" />
  <ChoiceField
    label="booked on"
    name="Account"
    value={account ?? data?.account}
    onchoose={(chosen) => (account = chosen)}
    options={plan.view!.accounts.filter((one) => !one.restricted).map((one) => ({ value: one.id, name: one.name }))}
  />
  {#if data}
    {#if data.to > plan.view!.tide.asOf}
      <Act title="What is typed up to then takes the place of what was planned" onclick={() => void moveTo(data.to)}
        >Move the as-of date to {longDay(data.to)}</Act
      >
    {/if}
    <span class="hush flex-1 text-right"
      >closing cash on {longDay(data.to)} by the books:
      <b class="text-ink">{plan.money.sum(data.closing)}</b></span
    >
  {/if}
</div>
{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{/if}
{#if data}
  {#key `${data.from} ${data.to} ${data.account}`}
    <ActualsTable {data} />
  {/key}
{/if}
