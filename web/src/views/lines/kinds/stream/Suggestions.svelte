<script lang="ts">
  import Act from '../../../../lib/Act.svelte';
  import { answer, api } from '../../../../lib/api';
  import { Loaded } from '../../../../lib/loaded.svelte';
  import { getPlan } from '../../../../lib/plan.svelte';
  import Refusal from '../../../../lib/Refusal.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import { withMethod } from './methods/methods';
  import type { Save, Stream } from '../../save';
  import SuggestionChart from './SuggestionChart.svelte';

  interface Props {
    id: string;
    save: Save<Stream>;
    first: string;
    onclose: () => void;
  }

  let { id, save, first, onclose }: Props = $props();
  const plan = getPlan();
  const said = new Said();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/lines/{id}/suggestions', {
        params: { path: { plan: plan.id, id }, query: { months: (plan.settings.horizonMonths ?? 24) + 1 } },
        signal,
      }),
    );
  });
  const data = $derived(loaded.data);
  let looked = $state<string>();
  const shown = $derived(data?.rivals.find((one) => one.way === (looked ?? data.offered)) ?? data?.rivals[0]);

  function percent(hundredths: number | null): string {
    return hundredths === null ? 'too little history' : `${(hundredths / 100).toFixed(1)}%`;
  }

  /** Taking one types its months, as a hand would. */
  function take(rival: NonNullable<typeof shown>) {
    const amounts = Object.fromEntries(rival.next.map((one) => [one.month, plan.money.decimal(one.amount)]));
    void said.of(
      save((now) => {
        return { ...withMethod(now, 'typed', first, ''), method: { kind: 'typed', amounts } };
      }, `months taken from history: ${rival.words}`),
    );
  }

  function takeSpread() {
    const spread = { kind: 'weeks' as const, weights: data!.spread.weights };
    void said.of(save((now) => ({ ...now, spread }), 'weeks of the month taken from what was paid'));
  }

  function takePattern() {
    const { steps, never } = data!.pattern;
    const pattern = { steps: steps.map((step) => ({ ...step, discount: '0' })), never };
    void said.of(save((now) => ({ ...now, pattern, termsBy: 'months' as const }), 'pattern taken from what was paid'));
  }
</script>

<div class="card mb-2.5">
  <div class="flex items-baseline gap-3">
    <b class="font-semibold">From history</b>
    <span class="hush flex-1">{data?.because ?? ''}</span>
    <button class="underline" onclick={onclose}>Close</button>
  </div>
  {#if loaded.problem}
    <Refusal words={loaded.problem.detail} />
  {:else if data && shown}
    <SuggestionChart actual={data.actual} said={shown.said} next={shown.next} words={shown.words} />
    <table class="figures">
      <thead>
        <tr>
          <th class="words" scope="col">Goes on as</th>
          <th scope="col">error<small>when choosing</small></th>
          <th scope="col">error<small>of the last quarter</small></th>
          <th class="words" scope="col"></th>
        </tr>
      </thead>
      <tbody>
        {#each data.rivals as rival (rival.way)}
          <tr class={rival.way === data.offered ? 'bg-foam font-[650]' : ''}>
            <th scope="row" class="words">{rival.words}{rival.way === data.offered ? ', offered' : ''}</th>
            <td>{percent(rival.error)}</td>
            <td>{percent(rival.errorOfLastQuarter)}</td>
            <td class="words">
              <button class="underline" aria-pressed={rival === shown} onclick={() => (looked = rival.way)}>Look</button
              >
              {#if rival.next.length}<button class="ml-2 underline" onclick={() => take(rival)}>Take its months</button
                >{/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="mt-2">
      {#if data.pattern.steps.length}
        Paid so far as
        <b class="font-semibold"
          >{data.pattern.steps.map((step) => `${step.share}% after ${step.lag} months`).join(', ')}{data.pattern
            .never === '0'
            ? ''
            : `, ${data.pattern.never}% not at all`}</b
        >: missed the last two months by {percent(data.pattern.error)}, the pattern in force by {percent(
          data.pattern.errorInForce,
        )}.
        {#if data.pattern.error! < data.pattern.errorInForce!}
          <Act onclick={takePattern}>Take this pattern</Act>
        {:else}<span class="hush">The pattern in force does as well.</span>{/if}
      {:else}
        <span class="hush"
          >How it was paid cannot be said yet: six whole months of assigned bank movements are needed, and there are {data
            .pattern.months}.</span
        >
      {/if}
    </p>
    {#if data.spread.weights.length}
      <p class="mt-1">
        In the month as <b class="font-semibold">{data.spread.weights.map((weight) => `${weight}%`).join(', ')}</b> by
        week: missed the last two months by {percent(data.spread.error)}, the days in force by {percent(
          data.spread.errorInForce,
        )}.
        {#if data.spread.error! < data.spread.errorInForce!}
          <Act onclick={takeSpread}>Take these weeks</Act>
        {:else}<span class="hush">The days in force do as well.</span>{/if}
      </p>
    {/if}
    <Refusal words={said.words} class="mt-1" />
  {/if}
</div>
