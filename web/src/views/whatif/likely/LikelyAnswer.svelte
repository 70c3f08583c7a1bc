<script lang="ts">
  import { getPlan } from '../../../lib/plan.svelte';
  import { chance, type Simulation } from './likely';

  interface Props {
    told: Simulation;
  }

  let { told }: Props = $props();
  const plan = getPlan();
  const LOW = 1;
  const MIDDLE = 3;
</script>

<section class="card" aria-label="How likely it runs short">
  <p class="text-[15px]">
    Headroom falls below nil in
    <b class="font-semibold {told.fallsShort.share > 0 ? 'bad' : ''}">{chance(told.fallsShort.share)}</b>
    of {told.runs.toLocaleString('en')} runs <span class="hush">(± {chance(told.fallsShort.error)})</span>.
  </p>
  <p class="mt-1">
    Limits of <b class="font-semibold">{plan.money.sum(told.sufficientLimit)}</b> would have sufficed in 95 of 100;
    today they are {plan.money.sum(told.limit)}{told.limit < told.sufficientLimit
      ? `, ${plan.money.sum(told.sufficientLimit - told.limit)} too little`
      : ''}.
  </p>
  <table class="figures mt-2">
    <tbody>
      <tr><th class="words">Least headroom, middle run</th><td>{plan.money.full(told.leastHeadroom[MIDDLE]!)}</td></tr>
      <tr>
        <th class="words">in the 10th of 100</th>
        <td class={told.leastHeadroom[LOW]! < 0 ? 'bad' : ''}>{plan.money.full(told.leastHeadroom[LOW]!)}</td>
      </tr>
      <tr>
        <th class="words">mean of the worst twentieth</th>
        <td class={told.worstHeadroom < 0 ? 'bad' : ''}>{plan.money.full(told.worstHeadroom)}</td>
      </tr>
    </tbody>
  </table>
  <h2 class="mb-1 mt-3 font-semibold">What goes with the bad runs</h2>
  {#if told.inBadRuns.length}
    <table class="figures">
      <thead
        ><tr
          ><th class="words">Up to low water</th><th title="From its mean, in the worst twentieth">from its mean</th
          ></tr
        ></thead
      >
      <tbody>
        {#each told.inBadRuns as one (one.name + (one.lineId ?? ''))}
          <tr>
            <th class="words max-w-[230px] truncate"
              >{one.name}
              {#if !one.lineId}<span class="hush">counterparty</span>{/if}</th
            >
            <td class={one.minor < 0 ? 'bad' : ''}>{(one.minor > 0 ? '+' : '') + plan.money.full(one.minor)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="hush">Nothing is drawn: every line is firm.</p>
  {/if}
</section>
