<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { noAmount, readAmount } from '../../lib/money';

  interface Props {
    /** Makes a line with a figure; gives the refusal, or nothing. */
    onput: (name: string, direction: 'RECEIPT' | 'PAYMENT', amount: string) => Promise<string>;
  }

  let { onput }: Props = $props();
  let name = $state('');
  let amount = $state('');
  let direction = $state<'RECEIPT' | 'PAYMENT'>('PAYMENT');
  let refusal = $state('');

  async function submit(e: Event) {
    e.preventDefault();
    const read = readAmount(amount);
    refusal =
      name.trim() === ''
        ? 'The new line has no name yet: type one.'
        : read === null
          ? noAmount(amount)
          : await onput(name, direction, read);
    if (!refusal) [name, amount] = ['', ''];
  }
</script>

<form class="mt-2 flex items-center gap-2" onsubmit={submit}>
  <span class="hush">Something without a line?</span>
  <EntryField class="w-[180px]" placeholder="name of a new line" name="Name of a new line" bind:value={name} />
  <ChoiceField
    name="Direction of the new line"
    bind:value={direction}
    options={[
      { value: 'RECEIPT', name: 'receipt' },
      { value: 'PAYMENT', name: 'payment' },
    ]}
  />
  <EntryField class="w-[110px] text-right" name="Actual of the new line" placeholder="amount" bind:value={amount} />
  <Act type="submit">Make the line</Act>
  {#if refusal}<span class="bad" role="alert">{refusal}</span>{/if}
</form>
