<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import Dialog from '../../lib/shell/Dialog.svelte';
  import type { Kind } from './kinds/kind';
  import { KINDS } from './kinds/kinds';

  interface Props {
    open: boolean;
    direction: 'receipt' | 'payment';
    /** The group the new line goes into, null at the top. */
    group: string | null;
    onmade: (id: string) => void;
  }

  let { open = $bindable(), direction, group, onmade }: Props = $props();
  const plan = getPlan();
  let name = $state('');
  let kind = $state<Kind>('stream');
  let refusal = $state('');
  const offered = $derived(
    (Object.keys(KINDS) as Kind[]).flatMap((one) => {
      const added = KINDS[one].added;
      return added && (!added.only || added.only === direction) ? [{ kind: one, added }] : [];
    }),
  );

  async function submit(e: Event) {
    e.preventDefault();
    if (!name.trim()) {
      refusal = 'Give the line a name, such as "Grocery chains" or "Rent".';
      return;
    }
    const line = {
      id: crypto.randomUUID(),
      ...(group ? { group } : {}),
      name: name.trim(),
      direction,
      assumption: KINDS[kind].added!.fresh(plan.view!.tide.asOf),
    };
    const problem = await plan.putLine(line, `'${line.name}' added`);
    refusal = problem?.detail ?? '';
    if (problem) return;
    open = false;
    name = '';
    kind = 'stream';
    onmade(line.id);
  }
</script>

<Dialog bind:open title={direction === 'receipt' ? 'New receipts' : 'New payments'}>
  <form onsubmit={submit}>
    <div class="mb-3"><EntryField above label="Name" wide bind:value={name} maxlength={120} /></div>
    <fieldset>
      <legend class="mb-1">How it is planned</legend>
      {#each offered as { kind: value, added } (value)}
        <label class="flex items-baseline gap-2 py-0.5">
          <input type="radio" name="kind" {value} bind:group={kind} />
          <span>{added.name} <span class="hush">{added.sub}</span></span>
        </label>
      {/each}
    </fieldset>
    <Refusal words={refusal} class="mt-2" />
    <div class="mt-3 flex gap-2">
      <Act type="submit" main>Add</Act>
      <Act onclick={() => (open = false)}>Leave it</Act>
    </div>
  </form>
</Dialog>
