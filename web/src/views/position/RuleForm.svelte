<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import type { MovementView } from '../../lib/api';
  import { readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { lastingWords, putRule } from './assigning';

  interface Props {
    movement: MovementView;
    onclose: () => void;
  }

  let { movement, onclose }: Props = $props();
  const plan = getPlan();
  let text = $state(untrack(() => (movement.counterparty ? '' : lastingWords(movement.text))));
  let counterparty = $state(untrack(() => movement.counterparty));
  let account = $state('');
  let least = $state('');
  let most = $state('');
  let line = $state(untrack(() => movement.parts[0]?.line ?? movement.suggestions[0] ?? ''));
  let refusal = $state('');

  function amountOf(typed: string): string | undefined | null {
    return typed.trim() === '' ? undefined : readAmount(typed);
  }

  async function submit(e: Event) {
    e.preventDefault();
    const [from, to] = [amountOf(least), amountOf(most)];
    if (from === null || to === null) {
      refusal = `'${from === null ? least : most}' is no amount: type a number such as 1,250.50, or leave it empty.`;
      return;
    }
    const rule = {
      id: crypto.randomUUID(),
      text,
      counterparty,
      direction: movement.minor > 0 ? ('receipt' as const) : ('payment' as const),
      ...(account ? { account } : {}),
      ...(from ? { least: from } : {}),
      ...(to ? { most: to } : {}),
      ...(line ? { line } : {}),
    };
    refusal = (await putRule(plan, rule))?.detail ?? '';
    if (!refusal) onclose();
  }
</script>

<form onsubmit={submit} class="grid grid-cols-[110px_1fr] items-center gap-y-1.5">
  <span class="hush col-span-2"
    >Whenever money {movement.minor > 0 ? 'comes in' : 'goes out'} and all of this fits:</span
  >
  <label for="rule-text">text holds</label><EntryField id="rule-text" class="" bind:value={text} />
  <label for="rule-party">counterparty holds</label><EntryField id="rule-party" class="" bind:value={counterparty} />
  <label for="rule-account">account</label>
  <ChoiceField
    id="rule-account"
    bind:value={account}
    options={[{ value: '', name: 'any' }, ...plan.view!.accounts.map((one) => ({ value: one.id, name: one.name }))]}
  />
  <span>amount from, to</span>
  <span class="flex gap-1.5">
    <EntryField class="w-[96px] text-right" name="Least amount" placeholder="any" bind:value={least} />
    <EntryField class="w-[96px] text-right" name="Most amount" placeholder="any" bind:value={most} />
  </span>
  <label for="rule-line">it belongs to</label>
  <ChoiceField
    id="rule-line"
    bind:value={line}
    options={[
      { value: '', name: 'transfers between own accounts' },
      ...plan.view!.lines.filter((one) => one.kind !== 'group').map((one) => ({ value: one.id, name: one.name })),
    ]}
  />
  <Refusal words={refusal} class="col-span-2" />
  <div class="col-span-2 mt-1 flex gap-2">
    <Act type="submit" main>Remember, and assign what it fits</Act><Act onclick={onclose}>Leave it</Act>
  </div>
</form>
