<script lang="ts">
  import { grouped, noAmount, readAmount, readPercent } from '../../../lib/money';
  import { getPlan } from '../../../lib/plan.svelte';
  import TypedField from '../../../lib/fields/TypedField.svelte';

  interface Props {
    toExplain: number;
    explained: number;
  }

  let { toExplain, explained }: Props = $props();
  const plan = getPlan();
  const NOTHING = { amount: '0', share: '0' };
  const threshold = $derived(plan.settings.explained ?? NOTHING);
  const isSet = $derived(plan.settings.explained !== undefined);

  async function put(change: Partial<typeof threshold>): Promise<string> {
    const next = { ...threshold, ...change };
    const problem = await plan.putSettings((now) => ({ ...now, explained: next }));
    return problem?.detail ?? '';
  }

  function putAmount(typed: string): string | Promise<string> {
    const read = readAmount(typed);
    return read === null ? noAmount(typed) : put({ amount: read });
  }

  function putShare(typed: string): string | Promise<string> {
    const read = readPercent(typed);
    return read === null ? `'${typed}' is no percentage: type a number such as 10.` : put({ share: read });
  }
</script>

<section class="card" aria-label="To explain">
  <b class="font-semibold">To explain</b>
  <p class="mb-1">
    {#if !isSet}
      <span class="hush">Say from where on a variance must be explained.</span>
    {:else if toExplain === 0}
      No variance reaches what must be explained.
    {:else}
      {explained} of {toExplain}
      {toExplain === 1 ? 'variance is' : 'variances are'} explained{explained < toExplain
        ? ': choose one and press N.'
        : '.'}
    {/if}
  </p>
  <div class="flex flex-wrap gap-2">
    <TypedField label="from" value={grouped(threshold.amount ?? '')} onput={putAmount} class="w-[76px]" />
    <TypedField label="and" value={threshold.share ?? ''} onput={putShare} after="% of forecast" class="w-[46px]" />
  </div>
</section>
