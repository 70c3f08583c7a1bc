<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { shortDay } from '../../lib/dates';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import OneWord from './OneWord.svelte';
  import { addressOf } from './people';

  const plan = getPlan();
  const path = { plan: plan.id };
  let links = $state.raw<Schemas['LinkView'][]>([]);
  let note = $state('');
  let days = $state('30');
  let made = $state('');
  let refusal = $state('');
  const holding = $derived(links.filter((one) => !one.takenBack && new Date(one.until) > new Date()));

  async function load() {
    const got = await answer(api.GET('/api/plans/{plan}/links', { params: { path } }));
    if (got.ok) links = got.data;
  }

  async function make() {
    if (!/^\d+$/.test(days.trim())) {
      refusal = `A link holds for a number of days from 1 to 366, but was '${days}'`;
      return;
    }
    const body = { note, days: Number(days) };
    const got = await answer(api.POST('/api/plans/{plan}/links', { params: { path }, body }));
    refusal = got.ok ? '' : got.problem.detail;
    made = got.ok ? addressOf('look', got.data.word) : '';
    await load();
  }

  async function takeBack(id: string) {
    const got = await answer(api.DELETE('/api/plans/{plan}/links/{id}', { params: { path: { ...path, id } } }));
    if (got.ok) links = got.data;
    else refusal = got.problem.detail;
  }

  void load();
</script>

<div class="mt-3 border-t border-rule pt-2">
  <b class="font-semibold">Links that show this plan</b>
  <ul class="mt-1">
    {#each holding as one (one.id)}
      <li class="flex gap-2">
        <span class="flex-1"
          >{one.note || 'for anybody'}, until {shortDay(one.until.slice(0, 10))}, by {one.madeBy}</span
        >
        <button class="underline" aria-label="Take the link {one.note} back" onclick={() => void takeBack(one.id)}
          >Take back</button
        >
      </li>
    {:else}
      <li class="hush">
        None. Whoever has one looks at the plan without signing in, pay in sums alone, and changes nothing.
      </li>
    {/each}
  </ul>
  <div class="mt-1 flex items-center gap-2">
    <EntryField bind:value={note} label="For" class="w-[140px]" placeholder="the bank" />
    <EntryField bind:value={days} label="holds for" after="days" class="w-[50px]" inputmode="numeric" />
    <Act onclick={() => void make()}>Make a link</Act>
  </div>
  {#if made}<OneWord words="Whoever opens this address looks at the plan." address={made} />{/if}
  <Refusal words={refusal} class="mt-1" />
</div>
