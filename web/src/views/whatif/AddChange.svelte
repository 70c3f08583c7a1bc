<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import TargetField from './TargetField.svelte';
  import {
    act,
    actsFor,
    canRamp,
    edge,
    newId,
    nothingCalled,
    type ActKind,
    type Change,
    type Choice,
    WHOLE_ACTS,
  } from './whatif';

  interface Props {
    /** Adds a change; gives the refusal, or nothing. */
    add: (change: Change) => Promise<string>;
  }

  let { add }: Props = $props();
  let words = $state('');
  let found = $state<Choice>();
  let kind = $state<ActKind>('scale');
  let typed = $state('');
  let from = $state('');
  let to = $state('');
  let comes = $state('');
  let goes = $state('');
  let refusal = $state('');
  const offered = $derived(actsFor(found?.target));
  // What is not offered of what was found is not chosen.
  $effect(() => {
    if (!offered.some((one) => one.value === kind)) kind = offered[0]!.value;
  });
  const UNITS: Partial<Record<ActKind, string>> = {
    scale: '(%)',
    'paid-later': '(days)',
    'never-paid': '(points)',
    'shift-days': '(days)',
    'shift-months': '(months)',
  };
  const WHOLE: ActKind[] = ['paid-later', 'shift-days', 'shift-months'];

  async function put(e: SubmitEvent) {
    e.preventDefault();
    if (!found) {
      refusal = nothingCalled(words);
      return;
    }
    if (!WHOLE_ACTS.includes(kind) && !typed.trim()) {
      refusal = 'Say how much: a figure, such as 90 or 1250.50.';
      return;
    }
    if (WHOLE.includes(kind) && !/^-?\d+$/.test(typed.trim())) {
      refusal = `'${typed}' is no number of ${kind === 'shift-months' ? 'months' : 'days'}: type one such as 12, or -5 for sooner.`;
      return;
    }
    const first = edge(from, 'from');
    const last = edge(to, 'to');
    if (first === null || last === null) {
      refusal = `'${first === null ? from : to}' is neither a month nor a day: type one such as Apr 2026 or 2026-04-17.`;
      return;
    }
    const months = [comes, goes].map((typed) => (typed.trim() ? Number(typed) : 0));
    if (!months.every((one) => Number.isInteger(one) && one >= 0)) {
      refusal = `A change comes and goes over a whole number of months, such as 3, but was '${comes || goes}'.`;
      return;
    }
    const ramps = canRamp(kind) ? months : [0, 0];
    refusal = await add({
      id: newId(),
      target: found.target,
      act: act(kind, typed),
      ...(first ? { from: first } : {}),
      ...(last ? { to: last } : {}),
      ...(ramps[0] ? { comesOver: ramps[0] } : {}),
      ...(ramps[1] ? { goesOver: ramps[1] } : {}),
      note: '',
      on: true,
    });
    if (!refusal) [words, typed, from, to, comes, goes] = ['', '', '', '', '', ''];
  }
</script>

<form class="mt-3 flex flex-wrap items-end gap-2" onsubmit={(e) => void put(e)} aria-label="A new change">
  <TargetField bind:words bind:found label="What changes" parties />
  <label
    ><span class="hush block">How</span>
    <select class="small-field" bind:value={kind}>
      {#each offered as one (one.value)}<option value={one.value}>{one.name}</option>{/each}
    </select></label
  >
  {#if !WHOLE_ACTS.includes(kind)}
    <label
      ><span class="hush block">How much {UNITS[kind] ?? found?.unit ?? ''}</span>
      <input class="small-field w-[110px] text-right" bind:value={typed} /></label
    >
  {/if}
  <label
    ><span class="hush block">From</span>
    <input class="small-field w-[110px]" placeholder="always" bind:value={from} /></label
  >
  <label
    ><span class="hush block">To</span>
    <input class="small-field w-[110px]" placeholder="no end" bind:value={to} /></label
  >
  {#if canRamp(kind) && from.trim()}
    <label title="Whole in the last of so many months"
      ><span class="hush block">coming over</span>
      <input class="small-field w-[84px]" placeholder="months" bind:value={comes} /></label
    >
  {/if}
  {#if canRamp(kind) && to.trim()}
    <label title="Whole until the last so many months begin"
      ><span class="hush block">going over</span>
      <input class="small-field w-[84px]" placeholder="months" bind:value={goes} /></label
    >
  {/if}
  <Act type="submit">Add the change</Act>
  <Refusal words={refusal} class="w-full" />
</form>
