<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import { readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import { LineAhead, putOverride } from './overrides';
  import { periodWords, type Spot } from './rows';

  interface Props {
    spot: Spot;
    onclose: () => void;
  }

  let { spot, onclose }: Props = $props();
  const plan = getPlan();
  const ahead = untrack(() => new LineAhead(plan, spot.row));
  let typed = $state(untrack(() => spot.typed));
  let reason = $state('');
  let refusal = $state('');

  function focus(field: HTMLInputElement) {
    field.focus();
    field.setSelectionRange(field.value.length, field.value.length);
  }

  async function submit(e: Event) {
    e.preventDefault();
    const amount = readAmount(typed);
    if (amount === null) refusal = `'${typed}' is no amount: type a number such as 1,250.50 or 12k.`;
    else if (!reason.trim()) refusal = 'Say why: an override keeps its reason, so that it is not a puzzle next month.';
    else {
      refusal = await putOverride(plan, spot, ahead, amount, reason);
      if (!refusal) onclose();
    }
  }
</script>

<form onsubmit={submit}>
  <p class="hush mb-2">
    Instead of the computed figure, for {periodWords(spot.from, spot.to)}. Positive in the line's direction; it lapses
    when the period is over.
  </p>
  <div class="mb-2">
    <EntryField above label="Amount" wide bind:value={typed} inputmode="decimal" {@attach focus} {refusal} />
  </div>
  <EntryField above label="Reason" wide bind:value={reason} />
  <div class="mt-3 flex gap-2">
    <Act type="submit" main>Override</Act>
    <Act onclick={onclose}>Leave it</Act>
  </div>
</form>
