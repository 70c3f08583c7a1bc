<script lang="ts" generics="T extends { growthOf: Record<string, string> }">
  import EntryField from '../../../../../lib/fields/EntryField.svelte';
  import TypedField from '../../../../../lib/fields/TypedField.svelte';
  import { monthName, noMonth, readMonth } from '../../../../../lib/dates';
  import { readPercent } from '../../../../../lib/money';
  import Refusal from '../../../../../lib/Refusal.svelte';
  import { Said } from '../../../../../lib/said.svelte';
  import type { Save } from '../../../save';

  interface Props {
    /** What grows, where several do. */
    of?: string;
    /** The months with a growth of their own, in percent over the month before. */
    growthOf: Record<string, string>;
    /** Puts a change of the method; gives the refusal, or nothing. */
    put: Save<T>;
  }

  let { of: what = '', growthOf, put }: Props = $props();
  const said = new Said();
  let adding = $state(false);
  let month = $state('');
  let percent = $state('');
  const months = $derived(Object.keys(growthOf).sort());

  /** Puts the growth of a month, or lets the usual one hold again. */
  function set(of: string, growth: string | undefined): Promise<string> {
    const words = growth === undefined ? `usual growth in ${of}` : `growth in ${of} ${growth.replace('-', '−')}%`;
    return put((now) => {
      const next = { ...now.growthOf };
      if (growth === undefined) delete next[of];
      else next[of] = growth;
      return { ...now, growthOf: next };
    }, words);
  }

  function noPercent(typed: string) {
    return `'${typed}' is no percentage: type a number such as 12.5, below zero where it shrinks.`;
  }

  function change(of: string, typed: string) {
    const growth = readPercent(typed);
    return growth === null ? noPercent(typed) : set(of, growth);
  }

  async function add(e: Event) {
    e.preventDefault();
    const of = readMonth(month);
    const growth = readPercent(percent);
    if (!of) said.now(noMonth(month));
    else if (growth === null) said.now(noPercent(percent));
    else if (await said.of(set(of, growth))) {
      adding = false;
      month = percent = '';
    }
  }
</script>

{#each months as of (of)}
  <span class="whitespace-nowrap">
    <TypedField
      label="in {monthName(of)} {of.slice(0, 4)} %"
      name={what ? `${what} in ${monthName(of)} ${of.slice(0, 4)} %` : undefined}
      class="w-[56px] text-right"
      value={growthOf[of]!}
      onput={(typed) => change(of, typed)}
    />
    <button
      class="hush"
      aria-label="Let the usual growth hold in {monthName(of)} {of.slice(0, 4)}"
      onclick={() => said.of(set(of, undefined))}>×</button
    >
  </span>
{/each}
{#if adding}
  <form class="flex items-center gap-2" onsubmit={add}>
    <EntryField class="w-[86px]" placeholder="2026-07" name="Month" bind:value={month} autofocus />
    <EntryField
      class="w-[56px] text-right"
      placeholder="%"
      name="Growth in that month in percent"
      bind:value={percent}
    />
    <button class="underline" type="submit">Add</button>
    <button class="underline" type="button" onclick={() => (adding = false)}>Leave it</button>
  </form>
{:else}
  <button class="underline" onclick={() => (adding = true)}>otherwise in a month…</button>
{/if}
<Refusal words={said.words} class="mt-1" />
