<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import { act, ACTS, choices, edge, newId, type ActKind, type Change } from './whatif';

  interface Props {
    /** Adds a change; gives the refusal, or nothing. */
    add: (change: Change) => Promise<string>;
  }

  let { add }: Props = $props();
  const plan = getPlan();
  const list = $props.id();
  let words = $state('');
  let kind = $state<ActKind>('scale');
  let typed = $state('');
  let from = $state('');
  let to = $state('');
  let refusal = $state('');

  const assumptions = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/assumptions', { params: { path: { plan: plan.id } }, signal }));
  });
  const all = $derived(choices(assumptions.data ?? [], plan.view?.lines ?? []));
  const found = $derived(all.find((one) => one.words.toLowerCase() === words.trim().toLowerCase()));

  async function put(e: SubmitEvent) {
    e.preventDefault();
    if (!found) {
      refusal = words
        ? `Nothing is called '${words}': choose from the list that opens as you type.`
        : 'Say first what changes: type some letters of a line or an assumption.';
      return;
    }
    if (kind !== 'leave-out' && !typed.trim()) {
      refusal = 'Say how much: a figure, such as 90 or 1250.50.';
      return;
    }
    const first = edge(from, 'from');
    const last = edge(to, 'to');
    if (first === null || last === null) {
      refusal = `'${first === null ? from : to}' is neither a month nor a day: type one such as Apr 2026 or 2026-04-17.`;
      return;
    }
    refusal = await add({
      id: newId(),
      target: found.target,
      act: act(kind, typed),
      ...(first ? { from: first } : {}),
      ...(last ? { to: last } : {}),
      note: '',
      on: true,
    });
    if (!refusal) [words, typed, from, to] = ['', '', '', ''];
  }
</script>

<form class="mt-3 flex flex-wrap items-end gap-2" onsubmit={(e) => void put(e)} aria-label="A new change">
  <label
    ><span class="hush block">What changes</span>
    <input
      class="small-field w-[330px]"
      list="choices-{list}"
      bind:value={words}
      placeholder="a line, a group or an assumption"
      autocomplete="off"
    /></label
  >
  <datalist id="choices-{list}">
    {#each all as one (one.words)}<option value={one.words}></option>{/each}
  </datalist>
  <label
    ><span class="hush block">How</span>
    <select class="small-field" bind:value={kind}>
      {#each ACTS as one (one.value)}<option value={one.value}>{one.name}</option>{/each}
    </select></label
  >
  {#if kind !== 'leave-out'}
    <label
      ><span class="hush block">How much {kind === 'scale' ? '(%)' : (found?.unit ?? '')}</span>
      <input class="small-field w-[110px] text-right" bind:value={typed} /></label
    >
  {/if}
  <label
    ><span class="hush block">From</span>
    <input class="small-field w-[110px]" placeholder="always" bind:value={from} /></label
  >
  <label
    ><span class="hush block">To</span> <input class="small-field w-[110px]" placeholder="no end" bind:value={to} /></label
  >
  <Act type="submit">Add the change</Act>
  {#if refusal}<p class="bad w-full" role="alert">{refusal}</p>{/if}
</form>
