<script lang="ts">
  import Field from './Field.svelte';
  import type { Refusals, Wizard } from './wizard';

  interface Props {
    wizard: Wizard;
    refusals: Refusals;
  }

  let { wizard = $bindable(), refusals }: Props = $props();
  const CURRENCIES = [
    'GBP',
    'EUR',
    'USD',
    'CHF',
    'SEK',
    'NOK',
    'DKK',
    'PLN',
    'CZK',
    'HUF',
    'JPY',
    'AUD',
    'NZD',
    'CAD',
    'ZAR',
    'BRL',
    'MXN',
    'KWD',
  ];
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
    <Field label="Name of the plan" refusal={refusals.name}>
      <!-- The form opens to be typed into. -->
      <!-- svelte-ignore a11y_autofocus -->
      <input
        class="small-field w-[260px]"
        maxlength="120"
        bind:value={wizard.name}
        aria-invalid={!!refusals.name}
        autofocus
      />
    </Field>
    <Field label="Currency">
      <select class="small-field" bind:value={wizard.currency}>
        {#each CURRENCIES as currency (currency)}<option>{currency}</option>{/each}
      </select>
    </Field>
    <Field label="As-of date: balances are known up to" refusal={refusals.asOf}>
      <input class="small-field w-[120px]" bind:value={wizard.asOf} aria-invalid={!!refusals.asOf} />
    </Field>
    <Field label="Weeks begin on">
      <select class="small-field" bind:value={wizard.firstDayOfWeek}>
        {#each DAYS as day (day)}<option value={day}>{day}</option>{/each}
      </select>
    </Field>
    <Field label="Minimum cash (can stay empty)" refusal={refusals.minimum}>
      <input class="small-field w-[120px] text-right" bind:value={wizard.minimum} aria-invalid={!!refusals.minimum} />
    </Field>
    <Field label="Overdraft limit (can stay empty)" refusal={refusals.limit}>
      <input class="small-field w-[120px] text-right" bind:value={wizard.limit} aria-invalid={!!refusals.limit} />
    </Field>
  </div>
  <b class="mt-3 block font-semibold">Bank accounts, with their booked balance at the end of the as-of date</b>
  {#each wizard.accounts as account, i (i)}
    <div class="mt-1 flex flex-wrap items-center gap-2">
      <input
        class="small-field w-[200px]"
        aria-label="Name of account {i + 1}"
        maxlength="120"
        bind:value={account.name}
      />
      <select
        class="small-field"
        aria-label="Country of account {i + 1}"
        title="Whose bank holidays count; -- is weekends only"
        bind:value={account.country}
      >
        {#each COUNTRIES as country (country)}<option>{country}</option>{/each}
      </select>
      <input
        class="small-field w-[130px] text-right"
        placeholder="balance"
        aria-label="Balance of account {i + 1}"
        bind:value={account.balance}
        aria-invalid={!!refusals[`account${i}`]}
      />
      {#if wizard.accounts.length > 1}
        <button
          type="button"
          class="hush"
          aria-label="Take account {i + 1} out"
          onclick={() => wizard.accounts.splice(i, 1)}>×</button
        >
      {/if}
      {#if refusals[`account${i}`]}<span class="bad" role="alert">{refusals[`account${i}`]}</span>{/if}
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
