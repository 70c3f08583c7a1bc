<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { fullDay, noDay, readDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { addressOfLine } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import TypedField from '../../lib/TypedField.svelte';
  import { MEASURES, type Measure } from './whatif';

  const plan = getPlan();
  const FIRST = 25;
  let measure = $state<Measure>('LEAST_HEADROOM');
  let day = $state('');
  let all = $state(false);

  const ranked = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/sensitivity', {
        params: { path: { plan: plan.id }, query: { measure, ...(day ? { day } : {}) } },
        signal,
      }),
    );
  });
  const felt = $derived((ranked.data?.assumptions ?? []).filter((one) => one.down || one.up));
  const rest = $derived((ranked.data?.assumptions.length ?? 0) - felt.length);
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
    <label
      ><span class="hush">What moves</span>
      <select class="small-field" bind:value={measure}>
        {#each MEASURES as one (one.value)}<option value={one.value}>{one.name}</option>{/each}
      </select></label
    >
    {#if measure === 'CLOSING'}
      <TypedField value={day} onput={putDay} name="The day" placeholder="the last" />
    {/if}
    {#if ranked.data}
      <span>now <b class="font-semibold">{plan.money.sum(ranked.data.now)}</b> on {fullDay(ranked.data.day)}</span>
    {:else if !ranked.problem}
      <span class="hush" role="status">Every assumption is moved, one by one …</span>
    {/if}
    <span class="hush flex-1 text-right"
      >each by itself: money, quantities and prices 10%, percentages 1 point, days 5, months 1</span
    >
  </div>
  {#if ranked.problem}
    <p role="alert" class="bad">{ranked.problem.detail}</p>
  {:else if ranked.data}
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
