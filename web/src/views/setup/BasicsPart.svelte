<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { CURRENCIES, type Refusals, type Wizard } from './wizard';

  interface Props {
    wizard: Wizard;
    refusals: Refusals;
  }

  let { wizard = $bindable(), refusals }: Props = $props();
  const COUNTRIES = [
    '--',
    'AU',
    'BR',
    'CA',
    'CH',
    'CZ',
    'DE',
    'DK',
    'EU',
    'FR',
    'GB',
    'HU',
    'JP',
    'MX',
    'NO',
    'NZ',
    'PL',
    'SE',
    'US',
    'ZA',
  ];
  const DAYS = ['monday', 'sunday', 'saturday', 'tuesday', 'wednesday', 'thursday', 'friday'];
</script>

<section class="card" aria-label="The plan and its accounts">
  <div class="flex flex-wrap items-start gap-x-4 gap-y-2">
    <!-- The form opens to be typed into. -->
    <EntryField
      above
      label="Name of the plan"
      class="w-[260px]"
      maxlength={120}
      bind:value={wizard.name}
      refusal={refusals.name}
      autofocus
    />
    <ChoiceField above label="Currency" bind:value={wizard.currency} options={CURRENCIES} />
    <EntryField
      above
      label="As-of date: balances are known up to"
      class="w-[120px]"
      bind:value={wizard.asOf}
      refusal={refusals.asOf}
    />
    <ChoiceField above label="Weeks begin on" bind:value={wizard.firstDayOfWeek} options={DAYS} />
    <EntryField
      above
      label="Minimum cash (can stay empty)"
      class="w-[120px] text-right"
      bind:value={wizard.minimum}
      refusal={refusals.minimum}
    />
    <EntryField
      above
      label="Overdraft limit (can stay empty)"
      class="w-[120px] text-right"
      bind:value={wizard.limit}
      refusal={refusals.limit}
    />
  </div>
  <b class="mt-3 block font-semibold">Bank accounts, with their booked balance at the end of the as-of date</b>
  {#each wizard.accounts as account, i (i)}
    <div class="mt-1 flex flex-wrap items-start gap-2">
      <EntryField class="w-[200px]" name="Name of account {i + 1}" maxlength={120} bind:value={account.name} />
      <ChoiceField
        name="Country of account {i + 1}"
        title="Whose bank holidays count; -- is weekends only"
        bind:value={account.country}
        options={COUNTRIES}
      />
      <EntryField
        class="w-[130px] text-right"
        placeholder="balance"
        name="Balance of account {i + 1}"
        bind:value={account.balance}
        refusal={refusals[`account${i}`]}
      />
      {#if wizard.accounts.length > 1}
        <button
          type="button"
          class="hush"
          aria-label="Take account {i + 1} out"
          onclick={() => wizard.accounts.splice(i, 1)}>×</button
        >
      {/if}
    </div>
  {/each}
  <button
    type="button"
    class="mt-1 underline"
    onclick={() => wizard.accounts.push({ name: '', country: wizard.accounts[0]?.country ?? 'GB', balance: '' })}
  >
    Another account
  </button>
</section>
