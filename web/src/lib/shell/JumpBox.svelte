<script lang="ts">
  import EntryField from '../fields/EntryField.svelte';
  import { tick } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { answer, api } from '../api';
  import { shortDay } from '../dates';
  import { Loaded } from '../loaded.svelte';
  import { address } from '../place.svelte';
  import { getPlan } from '../plan.svelte';
  import Dialog from './Dialog.svelte';
  import { matching, ofAssumptions, type Target } from './jump';
  import { PLACES } from './views';

  interface Props {
    open: boolean;
  }

  let { open = $bindable() }: Props = $props();
  const plan = getPlan();
  let words = $state('');
  let chosen = $state(0);
  let list = $state<HTMLUListElement>();

  /** Asked for when the box is opened: nothing else needs them. */
  const assumptions = new Loaded((signal) => {
    void plan.version;
    return open
      ? answer(api.GET('/api/plans/{plan}/assumptions', { params: { path: { plan: plan.id } }, signal }))
      : null;
  });

  function pathOf(lineId: string | null): string {
    const line = plan.view?.lines.find((one) => one.id === lineId);
    return line
      ? address(plan.id, line.direction === 'receipt' ? 'receipts' : 'payments', line.id)
      : address(plan.id, 'setup');
  }

  const targets = $derived<Target[]>([
    ...PLACES.map((place) => ({ name: place.name, kind: 'view', path: address(plan.id, place.view) })),
    ...(plan.view?.lines ?? []).map((line) => ({
      name: line.name,
      kind: line.direction === 'receipt' ? 'receipts' : 'payments',
      path: pathOf(line.id),
    })),
    ...(plan.view?.accounts ?? []).map((account) => ({
      name: account.name,
      kind: 'account',
      path: address(plan.id, 'position'),
    })),
    ...(plan.view?.buoys ?? []).map((buoy) => ({
      name: buoy.note,
      kind: `buoy ${shortDay(buoy.from)}`,
      path: address(plan.id, 'forecast'),
    })),
    ...ofAssumptions(assumptions.data ?? [], pathOf),
  ]);
  const found = $derived(matching(targets, words).slice(0, 12));

  function go(target: Target | undefined) {
    if (!target) return;
    open = false;
    words = '';
    void push(target.path);
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.key === 'ArrowDown') chosen = Math.min(found.length - 1, chosen + 1);
    else if (e.key === 'ArrowUp') chosen = Math.max(0, chosen - 1);
    else if (e.key === 'Enter') go(found[chosen]);
    else return;
    e.preventDefault();
    void tick().then(() => list?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' }));
  }
</script>

<Dialog bind:open title="Jump to">
  <EntryField
    wide
    placeholder="A line, an assumption, an account, a buoy or a view"
    name="Jump to"
    role="combobox"
    aria-expanded="true"
    aria-controls="jump-list"
    bind:value={words}
    oninput={() => (chosen = 0)}
    {onkeydown}
  />
  <ul id="jump-list" role="listbox" class="mt-2 max-h-[320px] overflow-y-auto" bind:this={list}>
    {#each found as target, i (target.kind + target.path + target.name)}
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <li
        role="option"
        aria-selected={i === chosen}
        class="flex cursor-pointer justify-between px-2 py-1 {i === chosen ? 'bg-foam' : ''}"
        onclick={() => go(target)}
      >
        <span>{target.name}</span><span class="hush">{target.kind}</span>
      </li>
    {:else}
      <li class="hush px-2 py-1">Nothing has these letters in its name.</li>
    {/each}
  </ul>
</Dialog>
