<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { fullDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Segments from '../../lib/Segments.svelte';
  import Movements from '../position/Movements.svelte';
  import AccountsClose from './AccountsClose.svelte';
  import Arrivals from './Arrivals.svelte';
  import DifferenceTable from './DifferenceTable.svelte';
  import { Rolling } from './rolling';

  const plan = getPlan();
  const rolling = new Rolling(plan);
  type Step = 'arrive' | 'settle' | 'differ' | 'finish';
  let chosen = $state<Step>();
  /** Files are being gone through: they make their own offer at their end. */
  let busy = $state(false);

  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/roll', { params: { path: { plan: plan.id } }, signal }));
  });
  const roll = $derived(loaded.data);
  const underWay = $derived(!!roll && roll.number > 0 && !roll.done);
  const unassigned = $derived(plan.view!.unassigned);
  /** The first step that has something left to do, unless another was chosen. */
  const step = $derived<Step>(
    chosen ?? (!roll?.to ? 'arrive' : unassigned ? 'settle' : roll.undecided ? 'differ' : 'finish'),
  );

  function counted(name: string, count: number): string {
    return count ? `${name} · ${count}` : name;
  }

  async function begin() {
    chosen = undefined;
    await rolling.begin();
  }
</script>

<div class="mb-2 flex h-[34px] items-center gap-[10px]">
  <h1>Roll forward</h1>
  <span class="hush flex-1">
    {#if underWay}
      from {fullDay(roll!.from!)}{roll!.to ? ` to ${fullDay(roll!.to)}` : ''}; it can be left at any time and gone on
      with.
    {:else}
      The plan is as of {fullDay(plan.view!.tide.asOf)}.
    {/if}
  </span>
  {#if roll?.edits}
    <Act
      title="Takes back {roll.edits} edits, all that were made since the roll forward began; each can be redone"
      onclick={() => void rolling.undo()}>Undo all of it</Act
    >
  {/if}
  <Act href="#/plan/{plan.id}/position">Position</Act>
</div>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if roll && !underWay}
  <section class="card mb-3" aria-label="Begin">
    {#if roll.number}
      <p class="mb-2">
        Rolled forward from {fullDay(roll.from!)} to {fullDay(roll.to!)}. The forecast as it was then is kept as a
        snapshot:
        <a class="underline" href="#/plan/{plan.id}/track">see what came otherwise</a>.
      </p>
    {/if}
    <p class="mb-2">
      Bring in what banks and ledger issued, settle and assign it, decide on the differences: then the plan stands on a
      new as-of date, and what happened up to it has taken the place of what was planned.
    </p>
    <Act main onclick={() => void begin()}>Roll forward from {fullDay(plan.view!.tide.asOf)}</Act>
  </section>
  <AccountsClose accounts={roll.accounts} />
{:else if roll}
  <div class="mb-2">
    <Segments
      label="Step"
      options={[
        { value: 'arrive', name: '1 Bring in' },
        { value: 'settle', name: counted('2 Settle and assign', unassigned) },
        { value: 'differ', name: counted('3 Differences', roll.undecided) },
        { value: 'finish', name: '4 Finish' },
      ]}
      value={step}
      onchoose={(to) => ((chosen = to), (busy = false))}
    />
  </div>
  {#if roll.reach && !busy}
    <p class="mb-2 flex items-center gap-3">
      <Act main onclick={() => void rolling.to(roll.reach!)}>Move the as-of date to {fullDay(roll.reach)}</Act>
      <span class="hush">statements are in up to that day; the plan is as of {fullDay(plan.view!.tide.asOf)}.</span>
    </p>
  {/if}
  {#if step === 'arrive'}
    <Arrivals
      {roll}
      onto={(day) => void rolling.to(day)}
      onbusy={() => ((chosen = 'arrive'), (busy = true))}
      ondone={() => ((chosen = undefined), (busy = false))}
    />
    <p class="hush mb-2">
      No statement from a bank?
      <a class="underline" href="#/plan/{plan.id}/track/actuals">Type what came</a>, and move the as-of date from there.
    </p>
    <AccountsClose accounts={roll.accounts} />
  {:else if step === 'settle'}
    <Movements />
  {:else if step === 'differ'}
    <DifferenceTable {roll} {rolling} />
  {:else}
    <AccountsClose accounts={roll.accounts} />
    <div class="mt-3 flex items-center gap-3">
      <Act main disabled={!roll.to || roll.undecided > 0} onclick={() => void rolling.finish()}
        >Finish the roll forward</Act
      >
      <span class="hush">
        {#if !roll.to}
          {roll.reach ? 'Move the as-of date first.' : 'Bring in statements and move the as-of date first.'}
        {:else if roll.undecided}
          {roll.undecided === 1 ? 'A difference is' : `${roll.undecided} differences are`} neither carried nor dropped.
        {:else if unassigned}
          {unassigned === 1 ? 'One movement is' : `${unassigned} movements are`} not assigned; cash counts all the same.
        {:else}
          Every movement is assigned and every difference decided.
        {/if}
      </span>
    </div>
  {/if}
{/if}
