<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { noAmount, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { Said } from '../../lib/said.svelte';
  import { ADDED, linesOf, type Added } from './funding';

  interface Props {
    onclose: () => void;
  }

  let { onclose }: Props = $props();
  const plan = getPlan();
  const said = new Said();
  let what = $state<Added>('revolving');
  let name = $state('');
  let amount = $state('');
  const AMOUNTS: Partial<Record<Added, { short: string; name: string }>> = {
    revolving: { short: 'limit', name: 'Limit of it' },
    loan: { short: 'lent', name: 'Amount lent' },
    lease: { short: 'financed', name: 'Amount financed' },
    deposit: { short: 'put away', name: 'Amount put away' },
  };
  const lent = $derived(AMOUNTS[what]);

  async function add(e: Event) {
    e.preventDefault();
    const read = lent ? readAmount(amount) : '0';
    if (!name.trim()) return said.now('Give it a name, such as "Quayside revolver".');
    if (read === null) return said.now(noAmount(amount));
    const problem = await plan.edit((version) =>
      answer(
        api.POST('/api/plans/{plan}/funding/lines', {
          params: { path: { plan: plan.id }, query: { version } },
          body: linesOf(what, name.trim(), read, plan.view!.tide.asOf),
        }),
      ),
    );
    said.now(problem?.detail ?? '');
    if (!problem) onclose();
  }
</script>

<form class="card mb-2.5" aria-label="Add funding" onsubmit={add}>
  <div class="flex flex-wrap items-center gap-2">
    <ChoiceField name="What is added" bind:value={what} options={ADDED} />
    <EntryField class="w-[220px]" placeholder="name" name="Name of it" maxlength={110} bind:value={name} />
    {#if lent}
      <EntryField class="w-[120px] text-right" placeholder={lent.short} name={lent.name} bind:value={amount} />
    {/if}
    <Act main type="submit">Add it</Act>
    <Act onclick={onclose}>Close</Act>
    <span class="hush">
      {lent
        ? 'Rates, dates and terms are typed on its line; its interest is a line of its own.'
        : 'Its rate stands under Setup.'}
    </span>
  </div>
  <Refusal words={said.words} class="mt-1" />
</form>
