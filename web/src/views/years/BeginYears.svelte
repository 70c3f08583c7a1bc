<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { InAddress } from '../../lib/address.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { BEGUN, lastYearEnd, PARTS, USUAL, type YearsPart, type YearsView } from './years';

  let { view }: { view: YearsView } = $props();
  const plan = getPlan();
  const part = new InAddress<YearsPart>(
    'years',
    'drivers',
    PARTS.map((one) => one.value),
  );
  let refusal = $state('');

  async function goOn() {
    const refused = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/years', { params: { path: { plan: plan.id }, query: { version, count: BEGUN } } }),
      ),
    );
    refusal = refused?.detail ?? '';
  }

  async function type() {
    const lastYear = { end: lastYearEnd(plan.settings.asOf ?? ''), days: 365, rows: [...USUAL] };
    const refused = await plan.putSettings((now) => ({ ...now, years: { count: BEGUN, lastYear, drivers: [] } }));
    refusal = refused?.detail ?? '';
    if (!refused) part.value = 'last';
  }
</script>

<Refusal words={refusal} class="mb-2" />
<div class="grid grid-cols-2 items-start gap-4">
  <section class="card" aria-label="Years after the months">
    <h2 class="mb-1 font-semibold">After the months</h2>
    <p class="mb-2">
      The last twelve months that are planned are the last year; each year after it goes on by its drivers, and says
      what it needs from outside.
    </p>
    {#if view.missing}<p class="hush">{view.missing}.</p>
    {:else}<Act main onclick={() => void goOn()}>Go on as the last twelve months were</Act>{/if}
  </section>
  <section class="card" aria-label="Years from a last year">
    <h2 class="mb-1 font-semibold">From a last year of their own</h2>
    <p class="mb-2">
      Last year's income statement and balance sheet, typed, pasted or brought in as CSV or XLSX: no months are needed.
    </p>
    <Act onclick={() => void type()}>Type the last year</Act>
  </section>
</div>
