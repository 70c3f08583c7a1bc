<script lang="ts">
  import { link, router } from 'svelte-spa-router';
  import Act from '../../lib/Act.svelte';
  import { address, addressOfLine } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Segments from '../../lib/Segments.svelte';
  import { who } from '../../lib/who.svelte';
  import MembersCard from '../people/MembersCard.svelte';
  import AccountsCard from './AccountsCard.svelte';
  import AssumptionsCard from './AssumptionsCard.svelte';
  import BackupsCard from './BackupsCard.svelte';
  import BudgetCard from './budget/BudgetCard.svelte';
  import ChangesCard from './ChangesCard.svelte';
  import DocumentsCard from './DocumentsCard.svelte';
  import SharedTermsCard from './SharedTermsCard.svelte';
  import SettingsCard from './SettingsCard.svelte';

  const plan = getPlan();
  const isNew = $derived(new URLSearchParams(router.querystring ?? '').get('new') === 'yes');

  const held = $derived(plan.breakwater?.sentence);
  const missing = $derived([...plan.view!.missing, ...(held ? [{ lineId: null, sentence: held }] : [])]);
  let part = $state<'settings' | 'assumptions' | 'budget'>('settings');
</script>

<div class="mb-2 flex h-[34px] items-center gap-3">
  <h1>Setup</h1>
  <span class="hush flex-1">
    {isNew ? 'The forecast is there: the tide line above shows it. ' : ''}{missing.length
      ? `${missing.length} ${missing.length === 1 ? 'thing is' : 'things are'} still missing.`
      : 'Nothing is missing.'}
  </span>
  <Segments
    tabs
    label="Part of the setup"
    options={[
      { value: 'settings', name: 'Settings' },
      ...(plan.seesPay ? [{ value: 'assumptions' as const, name: 'Assumptions' }] : []),
      { value: 'budget', name: 'Budget' },
    ]}
    value={part}
    onchoose={(chosen) => (part = chosen)}
  />
  {#if isNew}<Act main href="#{address(plan.id, 'forecast')}">See the forecast</Act>{/if}
  {#if plan.seesPay}<Act href="/api/plans/{plan.id}/file">Plan as JSON</Act>{/if}
</div>
{#if part === 'assumptions'}
  <AssumptionsCard />
{:else if part === 'budget'}
  <BudgetCard />
{:else}
  <div class="grid grid-cols-[1fr_1fr] items-start gap-3">
    <div class="flex flex-col gap-3">
      {#if missing.length}
        <section class="card" aria-label="What is missing">
          <b class="font-semibold">What is missing</b>
          <ul class="mt-1 list-disc pl-4">
            {#each missing as one, i (i)}
              <li>
                {one.sentence}.
                {#if one.lineId}<a class="underline" href={addressOfLine(plan, one.lineId)} use:link>Go there</a>{/if}
              </li>
            {/each}
          </ul>
        </section>
      {/if}
      <SettingsCard />
      <AccountsCard />
      <SharedTermsCard />
    </div>
    <div class="flex flex-col gap-3">
      {#if who.said?.id}<MembersCard />{/if}
      <DocumentsCard />
      <BackupsCard />
      {#if plan.seesPay}<ChangesCard />{/if}
    </div>
  </div>
{/if}
