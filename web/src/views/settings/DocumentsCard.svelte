<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { getPlan, type Settings } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { Said } from '../../lib/said.svelte';

  type SourceDocument = Settings['documents'][number];

  const plan = getPlan();
  const said = new Said();
  const documents = $derived(plan.settings.documents ?? []);
  let name = $state('');

  async function change(by: (now: SourceDocument[]) => SourceDocument[]): Promise<string> {
    const problem = await plan.putSettings((now) => ({
      ...now,
      documents: by(now.documents),
    }));
    return problem?.detail ?? '';
  }

  async function add(e: Event) {
    e.preventDefault();
    if (!name.trim())
      return said.now('Name what you need to see, such as "Pay roll of the month" or "Loan statement".');
    if (await said.of(change((now) => [...now, { name: name.trim(), seen: false }]))) name = '';
  }
</script>

<section class="card" aria-label="Source documents">
  <b class="font-semibold">Source documents</b>
  <span class="hush"
    >{documents.length
      ? `${documents.filter((one) => one.seen).length} of ${documents.length} seen`
      : 'what you need to have seen before you trust this plan'}</span
  >
  {#each documents as one, i (i)}
    <div class="mt-1 flex items-center gap-2">
      <label class="flex flex-1 items-center gap-2">
        <input
          type="checkbox"
          checked={one.seen}
          onchange={(e) => {
            const seen = e.currentTarget.checked;
            void said.of(change((now) => now.map((each, at) => (at === i ? { ...each, seen } : each))));
          }}
        />
        {one.name}
      </label>
      <button
        class="underline"
        aria-label="Take {one.name} out"
        onclick={() => void said.of(change((now) => now.filter((_, at) => at !== i)))}>Take out</button
      >
    </div>
  {/each}
  <form class="mt-2 flex items-center gap-2" onsubmit={add}>
    <EntryField wide placeholder="document" name="Name of a new document" bind:value={name} maxlength={200} />
    <Act type="submit">Add document</Act>
  </form>
  <Refusal words={said.words} class="mt-1" />
</section>
