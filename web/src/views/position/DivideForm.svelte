<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import type { MovementView } from '../../lib/api';
  import { readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { divide } from './assigning';
  import { minorOf, rest } from './dividing';

  interface Props {
    movement: MovementView;
    onclose: () => void;
  }

  type Part = { line: string; amount: string };

  let { movement, onclose }: Props = $props();
  const plan = getPlan();
  const sign = $derived(movement.minor < 0 ? -1 : 1);
  let parts = $state<Part[]>(untrack(begin));
  let refusal = $state('');
  const left = $derived(
    rest(
      Math.abs(movement.minor),
      parts.map((part) => part.amount),
      plan.money.decimals,
    ),
  );

  function begin(): Part[] {
    const given = movement.parts.map((part) => ({
      line: part.line ?? '',
      amount: plan.money.decimal(Math.abs(part.minor)),
    }));
    const open = { line: movement.suggestions[0] ?? '', amount: plan.money.decimal(Math.abs(movement.unassigned)) };
    return movement.unassigned ? [...given, open] : given;
  }

  async function submit(e: Event) {
    e.preventDefault();
    const wrong = parts.find((part) => readAmount(part.amount) === null);
    if (wrong) {
      refusal = `'${wrong.amount}' is no amount: type a number such as 1,250.50.`;
      return;
    }
    const sent = parts.map((part) => ({
      line: part.line || null,
      minor: sign * minorOf(readAmount(part.amount)!, plan.money.decimals),
    }));
    refusal =
      (
        await divide(
          plan,
          movement.id,
          sent.filter((part) => part.minor !== 0),
        )
      )?.detail ?? '';
    if (!refusal) onclose();
  }
</script>

<form onsubmit={submit}>
  {#each parts as part, i (i)}
    <div class="mb-1 flex gap-1.5">
      <ChoiceField
        class="min-w-0 flex-1"
        name="Line of part {i + 1}"
        bind:value={part.line}
        options={[
          { value: '', name: 'transfer between own accounts' },
          ...plan
            .view!.lines.filter((line) => line.kind !== 'group')
            .map((line) => ({ value: line.id, name: line.name })),
        ]}
      />
      <EntryField class="w-[96px] text-right" name="Amount of part {i + 1}" bind:value={part.amount} />
      <button type="button" class="hush" aria-label="Take part {i + 1} out" onclick={() => parts.splice(i, 1)}>×</button
      >
    </div>
  {/each}
  <button
    type="button"
    class="underline"
    onclick={() =>
      parts.push({
        line: movement.suggestions[0] ?? '',
        amount: left !== null && left > 0 ? plan.money.decimal(left) : '',
      })}>Add a part</button
  >
  <p class="mt-1 {left !== null && left < 0 ? 'bad' : 'hush'}">
    {left === null
      ? ''
      : left === 0
        ? 'Nothing is left.'
        : left > 0
          ? `${plan.money.sum(left)} stays unassigned.`
          : `${plan.money.sum(-left)} more than the movement.`}
  </p>
  <Refusal words={refusal} class="mt-1" />
  <div class="mt-2 flex gap-2">
    <Act type="submit" main>Divide</Act><Act onclick={onclose}>Leave it</Act>
  </div>
</form>
