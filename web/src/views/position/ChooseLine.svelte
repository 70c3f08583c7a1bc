<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import type { MovementView } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { matching } from '../../lib/shell/jump';
  import { assign, makeLine } from './assigning';

  interface Props {
    chosen: MovementView[];
    onclose: () => void;
  }

  let { chosen, onclose }: Props = $props();
  const plan = getPlan();
  let words = $state('');
  let at = $state(0);
  let refusal = $state('');
  const targets = $derived(
    plan
      .view!.lines.filter((line) => line.kind !== 'group')
      .map((line) => ({
        name: line.name,
        kind: line.direction === 'receipt' ? 'receipts' : 'payments',
        path: line.id,
      })),
  );
  const found = $derived(matching(targets, words).slice(0, 10));
  const isNew = $derived(
    words.trim() !== '' && !targets.some((t) => t.name.toLowerCase() === words.trim().toLowerCase()),
  );

  async function choose(i: number) {
    const target = found[i];
    if (target) refusal = (await assign(plan, chosen, target.path))?.detail ?? '';
    else if (isNew) refusal = await makeLine(plan, chosen, words.trim());
    if (!refusal) onclose();
  }

  function onkeydown(e: KeyboardEvent) {
    const last = found.length - (isNew ? 0 : 1);
    if (e.key === 'ArrowDown') at = Math.min(last, at + 1);
    else if (e.key === 'ArrowUp') at = Math.max(0, at - 1);
    else if (e.key === 'Enter') void choose(at);
    else return;
    e.preventDefault();
  }

  function focus(field: HTMLInputElement) {
    field.focus();
  }
</script>

<EntryField
  wide
  placeholder="name of a line, or of a new one"
  name="Line"
  bind:value={words}
  oninput={() => (at = 0)}
  {onkeydown}
  {@attach focus}
/>
<ul class="mt-1" role="listbox" aria-label="Lines">
  {#each found as target, i (target.path)}
    <!-- svelte-ignore a11y_click_events_have_key_events -->
    <li
      role="option"
      tabindex="-1"
      aria-selected={i === at}
      class="flex cursor-pointer justify-between px-2 py-0.5 {i === at ? 'bg-foam' : ''}"
      onclick={() => void choose(i)}
    >
      <span>{target.name}</span><span class="hush">{target.kind}</span>
    </li>
  {/each}
  {#if isNew}
    <!-- svelte-ignore a11y_click_events_have_key_events -->
    <li
      role="option"
      tabindex="-1"
      aria-selected={at === found.length}
      class="cursor-pointer px-2 py-0.5 {at === found.length ? 'bg-foam' : ''}"
      onclick={() => void choose(found.length)}
    >
      Make the line <b class="font-semibold">{words.trim()}</b> of it, with an empty forecast
    </li>
  {/if}
</ul>
<Refusal words={refusal} class="mt-2" />
