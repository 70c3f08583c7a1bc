<script lang="ts">
  import ChoiceField from '../../../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../../../lib/fields/EntryField.svelte';
  import { getPlan } from '../../../../lib/plan.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import { changed } from '../../parts/fields';
  import type { Save, Stream } from '../../save';
  import { termsOf, type SharedTerms } from './terms';

  interface Props {
    assumption: Stream;
    save: Save<Stream>;
    /** The terms the line shares, none for its own. */
    shared?: SharedTerms;
  }

  let { assumption, save, shared }: Props = $props();
  const plan = getPlan();
  const said = new Said();
  const all = $derived(plan.settings.terms ?? []);
  let naming = $state(false);
  let name = $state('');

  function choose(value: string) {
    if (value === 'new') naming = true;
    return value === 'new'
      ? ''
      : save(
          (now) => changed(now, { sharedTerms: value || null }),
          value ? `terms shared: ${all.find((one) => one.id === value)!.name}` : 'terms of its own',
        );
  }

  /** The line's terms become the plan's under a name, and the line shares them. */
  async function share(e: Event) {
    e.preventDefault();
    if (!name.trim()) return said.now('Give the terms a name, such as "Trade, 45 days".');
    const id = crypto.randomUUID();
    const terms = { id, name: name.trim(), ...termsOf(assumption) };
    const problem = await plan.putSettings((now) => ({
      ...now,
      terms: [...now.terms, terms],
    }));
    if (problem) return said.now(problem.detail);
    if (await said.of(save((now) => ({ ...now, sharedTerms: id }), `terms shared: ${terms.name}`))) {
      naming = false;
      name = '';
    }
  }
</script>

{#if naming}
  <form class="flex items-center gap-2" onsubmit={share}>
    <EntryField class="w-[150px]" name="Name of the terms" placeholder="name" bind:value={name} autofocus />
    <button class="underline" type="submit">Share them</button>
    <button class="underline" type="button" onclick={() => (naming = false)}>Leave it</button>
  </form>
{:else}
  <ChoiceField
    name="Whose terms"
    value={shared?.id ?? ''}
    onput={choose}
    options={[
      { value: '', name: 'of its own' },
      ...all.map((one) => ({ value: one.id, name: `shared: ${one.name}` })),
      { value: 'new', name: 'share these under a name…' },
    ]}
  />
  {#if shared}<span class="hush">a change here holds for every line that shares them</span>{/if}
{/if}
{#if said.words}<span class="bad" role="alert">{said.words}</span>{/if}
