<script lang="ts">
  import { addressAsking } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import ChangeWhen from './ChangeWhen.svelte';
  import type { Change, ScenarioView } from './whatif';

  interface Props {
    chosen: ScenarioView;
    onput: (changes: Change[]) => Promise<string>;
    onbase: (ids: string[]) => void;
  }

  let { chosen, onput, onbase }: Props = $props();
  const plan = getPlan();
  const own = $derived(chosen.scenario.changes);
  /** The change whose days are being typed. */
  let dating = $state('');
  const inForce = $derived(own.filter((one) => one.on).map((one) => one.id));

  function put(id: string, changed: Partial<Change>): Promise<string> {
    return onput(own.map((one) => (one.id === id ? { ...one, ...changed } : one)));
  }

  /** What is tied is switched together: the one means nothing without the other. */
  function tied(id: string): string[] {
    const tie = own.find((one) => one.id === id)?.tie;
    return tie ? own.filter((one) => one.tie === tie).map((one) => one.id) : [id];
  }

  function turn(id: string, on: boolean) {
    void onput(own.map((one) => (tied(id).includes(one.id) ? { ...one, on } : one)));
  }

  function putTie(id: string, tie: string): Promise<string> {
    return onput(
      own.map((one) => {
        if (one.id !== id) return one;
        const { tie: _, ...free } = one;
        return tie.trim() ? { ...free, tie: tie.trim() } : free;
      }),
    );
  }

  function takeOut(id: string) {
    void onput(own.filter((one) => one.id !== id));
  }

  function earlier(id: string) {
    const at = own.findIndex((one) => one.id === id);
    void onput(own.map((one, i) => (i === at - 1 ? own[at]! : i === at ? own[at - 1]! : one)));
  }
</script>

{#if chosen.changes.length}
  <table class="figures">
    <thead>
      <tr>
        <th class="words w-[36px]">On</th><th class="words">Change</th><th class="words">When</th>
        <th class="words" title="Changes with the same letter or word are done all or none, and switched together"
          >Tied by</th
        ><th class="words">Note</th><th class="words">
          {#if inForce.length > 1}
            <button class="underline" onclick={() => onbase(inForce)} title="In one edit, which undo takes back"
              >make all the base</button
            >
          {/if}
        </th>
      </tr>
    </thead>
    <tbody>
      {#each chosen.changes as one, i (i)}
        <tr class={one.of ? 'hush' : ''}>
          <td class="words">
            <input
              type="checkbox"
              aria-label="{one.target} {one.act}"
              checked={one.on}
              disabled={!!one.of}
              onchange={(e) => turn(one.id, e.currentTarget.checked)}
            />
          </td>
          <td class="words !whitespace-normal">
            <b class="font-semibold">{one.target}</b>
            {one.act}
            {#if one.findsNothing}<span class="bad block" role="alert">Finds nothing: {one.findsNothing}.</span>{/if}
          </td>
          <td class="words">
            {#if one.of}
              {one.range || 'always'}
            {:else}
              <button
                class="underline decoration-dotted"
                title="Change when it holds, and over how many months it comes and goes"
                aria-expanded={dating === one.id}
                onclick={() => (dating = dating === one.id ? '' : one.id)}>{one.range || 'always'}</button
              >
            {/if}
          </td>
          <td class="words">
            {#if !one.of}
              <TypedField
                value={own.find((mine) => mine.id === one.id)?.tie ?? ''}
                onput={(tie) => putTie(one.id, tie)}
                name="What {one.target} is tied by"
                class="w-[64px]"
                maxlength={80}
              />
            {/if}
          </td>
          <td class="words">
            {#if one.of}of {one.of}{:else}
              <TypedField
                value={one.note}
                onput={(note) => put(one.id, { note })}
                name="Note of {one.target}"
                class="w-[180px]"
                maxlength={2000}
              />
            {/if}
          </td>
          <td class="words">
            {#if !one.of}
              {#if own[0]?.id !== one.id}
                <button class="mr-3 underline" onclick={() => earlier(one.id)} title="Done before the one above"
                  >up</button
                >
              {/if}
              {#if one.on && !one.findsNothing}
                <a
                  class="mr-3 underline"
                  href="#{addressAsking(plan.id, 'whatif', 'how-far', {
                    change: `${chosen.scenario.id} ${one.id}`,
                  })}">how far?</a
                >
              {/if}
              <button
                class="mr-3 underline"
                onclick={() => onbase(tied(one.id))}
                title="The plan has it from now on, and this scenario no more">make it the base</button
              >
              <button class="underline" onclick={() => takeOut(one.id)}>take out</button>
            {/if}
          </td>
        </tr>
        {#if dating === one.id && !one.of}
          <tr>
            <td></td>
            <td class="words" colspan="5">
              <ChangeWhen
                change={own.find((mine) => mine.id === one.id)!}
                onput={(changed) => onput(own.map((mine) => (mine.id === one.id ? changed : mine)))}
                onclose={() => (dating = '')}
              />
            </td>
          </tr>
        {/if}
      {/each}
    </tbody>
  </table>
{:else}
  <p class="hush">No changes yet: add one below, or show it everywhere and type.</p>
{/if}
