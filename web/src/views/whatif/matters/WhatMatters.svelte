<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import { onDestroy, untrack } from 'svelte';
  import Act from '../../../lib/Act.svelte';
  import { fullDay, noDay, readDay } from '../../../lib/dates';
  import { addressOfLine } from '../../../lib/place.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import { MEASURES, type Measure } from '../whatif';
  import { Ranking, USUAL, type Steps } from './ranking.svelte';
  import Failures from './Failures.svelte';
  import Levers from './Levers.svelte';
  import StepFields from './StepFields.svelte';
  import TwoAtOnce from './TwoAtOnce.svelte';

  interface Props {
    /** The names of scenarios there are. */
    names: string[];
    /** Hears of a scenario that was made. */
    onmade: (id: string) => void;
  }

  let { names, onmade }: Props = $props();
  const plan = getPlan();
  const FIRST = 25;
  let measure = $state<Measure>('LEAST_HEADROOM');
  let day = $state('');
  let steps = $state.raw<Steps>(USUAL);
  let all = $state(false);
  const ranking = new Ranking();

  // A new version of the plan, another measure or step is a new question.
  $effect(() => {
    void plan.version;
    const asked = [measure, day, steps] as const;
    untrack(() => void ranking.start(plan, ...asked));
  });
  onDestroy(() => ranking.stop());
  const felt = $derived(ranking.found.filter((one) => one.down || one.up));
  const rest = $derived(ranking.found.length - felt.length);
  const most = $derived(Math.max(1, ...felt.flatMap((one) => [Math.abs(one.down ?? 0), Math.abs(one.up ?? 0)])));

  function putDay(typed: string): string {
    const on = typed.trim() ? readDay(typed) : '';
    if (on === null) return noDay(typed);
    day = on;
    return '';
  }

  function bar(minor: number): string {
    const size = (50 * Math.abs(minor)) / most;
    return minor < 0 ? `left:${50 - size}%;width:${size}%` : `left:50%;width:${size}%`;
  }

  function moved(minor: number | null): string {
    return minor === null ? 'not possible' : (minor > 0 ? '+' : '') + plan.money.full(minor);
  }
</script>

<section class="card" aria-label="Which assumptions matter">
  <div class="mb-2 flex flex-wrap items-center gap-3">
    <ChoiceField label="What moves" bind:value={measure} options={MEASURES} />
    {#if measure === 'CLOSING' || measure === 'PROFIT'}
      <TypedField value={day} onput={putDay} name="The day" placeholder="the last" />
    {/if}
    {#if ranking.now}
      <span>now <b class="font-semibold">{plan.money.sum(ranking.now.minor)}</b> on {fullDay(ranking.now.day)}</span>
    {/if}
    <span class="flex-1"></span>
    {#if ranking.all}
      <span role="status" class="hush">{ranking.done} of {ranking.all} moved</span>
    {/if}
    {#if ranking.running}<Act onclick={() => ranking.stop()}>Stop</Act>
    {:else if ranking.done < ranking.all || !ranking.all}<Act
        onclick={() => void ranking.start(plan, measure, day, steps)}>Begin again</Act
      >{/if}
  </div>
  <StepFields {steps} onput={(next) => (steps = next)} />
  {#if ranking.problem}
    <Refusal words={ranking.problem.detail} />
  {:else if felt.length}
    <table class="figures">
      <thead>
        <tr><th class="words">Assumption</th><th>less of it</th><th class="w-[44%]"></th><th>more of it</th></tr>
      </thead>
      <tbody>
        {#each all ? felt : felt.slice(0, FIRST) as one (one.path)}
          <tr>
            <th class="words max-w-[320px] truncate">
              {#if one.lineId}<a class="underline" href="#{addressOfLine(plan, one.lineId)}">{one.line}</a
                >{:else}{one.line}{/if}: {one.name}
              {#if one.bounded}<span class="hush" title="A step ends where the value may go no further"
                  >to its bound</span
                >{/if}
            </th>
            <td>{moved(one.down)}</td>
            <td class="relative">
              <span class="absolute bottom-0 left-1/2 top-0 border-l border-rule-2"></span>
              {#each [one.down, one.up] as minor, i (i)}
                {#if minor}
                  <span
                    class="absolute h-[8px] {i ? 'top-[13px] bg-deep' : 'top-[4px] bg-[#7fbfc2]'}"
                    style={bar(minor)}
                  ></span>
                {/if}
              {/each}
            </td>
            <td>{moved(one.up)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="hush mt-2">
      <span class="inline-block h-[8px] w-[18px] bg-[#7fbfc2]"></span> less of it
      <span class="ml-3 inline-block h-[8px] w-[18px] bg-deep"></span> more of it
      {#if felt.length > FIRST}
        <button class="ml-4 underline" onclick={() => (all = !all)}
          >{all ? 'the largest alone' : `all ${felt.length} that move it`}</button
        >
      {/if}
      <span class="ml-4">{rest} more change nothing of it.</span>
    </p>
  {/if}
</section>
<TwoAtOnce {measure} {day} />
<Levers {names} {onmade} />
<Failures />
