<script lang="ts">
  import type { Schemas } from '../../../lib/api';
  import { getPlan } from '../../../lib/plan.svelte';
  import { errorWords } from '../track';

  interface Props {
    data: Schemas['AccuracyView'];
    unit: string;
    onchoose: (id: string) => void;
  }

  let { data, unit, onchoose }: Props = $props();
  const plan = getPlan();
</script>

<div class="flex flex-col gap-3">
  <section class="card" aria-label="Closing cash was off by">
    <b class="font-semibold">Closing cash was off by</b>
    <table class="figures mt-1">
      <tbody>
        {#each [1, 4, 8, 13].filter((lead) => lead <= data.leads) as lead (lead)}
          <tr>
            <td class="words">{lead} {unit}{lead === 1 ? '' : 's'} ahead</td>
            <td title={plan.money.sum(data.closingMiss[lead - 1] ?? 0)}
              >{plan.money.short(data.closingMiss[lead - 1] ?? 0)}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="hush mt-1">on average, up or down</p>
  </section>
  <section class="card" aria-label="What costs most accuracy">
    <b class="font-semibold">What costs most accuracy</b>
    <table class="figures mt-1">
      <tbody>
        {#each data.costs.slice(0, 8) as cost (cost.id)}
          <tr>
            <td class="words"><button class="hover:underline" onclick={() => onchoose(cost.id)}>{cost.name}</button></td
            >
            <td title="{plan.money.sum(cost.missed)} missed">{errorWords(cost.shareHundredths)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="hush mt-1">of all misses up to {data.costsOf} {unit}s ahead</p>
  </section>
</div>
