<script lang="ts">
  import EntryField from '../../../../lib/fields/EntryField.svelte';
  import Act from '../../../../lib/Act.svelte';
  import { monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { CONVENTION } from '../../parts/choices';
  import { changed } from '../../parts/fields';
  import type { EditorProps } from '../kind';
  import AssetEditor, { type Asset } from './AssetEditor.svelte';

  let { assumption, save }: EditorProps<'capital'> = $props();
  const plan = getPlan();
  const said = new Said();
  const assets = $derived(assumption.assets);
  let name = $state('');
  /** Part of each key, so that a new name keeps what is being typed, and taking one out leaves none of it to the next. */
  let taken = $state(0);

  function setAsset(at: number, change: (asset: Asset) => Asset, words: string): Promise<string> {
    return save((now) => ({ ...now, assets: now.assets.map((asset, i) => (i === at ? change(asset) : asset)) }), words);
  }

  async function add(e: Event) {
    e.preventDefault();
    if (!name.trim()) return said.now('Give the asset a name, such as "Workboat" or "Cold store".');
    const asset: Asset = {
      name: name.trim(),
      tax: { rate: '0', gross: false, recoverable: '100' },
      milestones: [],
      termsDays: 0,
      service: monthStart(plan.view!.tide.asOf),
      lifeMonths: 60,
      residual: '0',
    };
    const adding = save((now) => ({ ...now, assets: [...now.assets, asset] }), `asset ${asset.name} added`);
    if (await said.of(adding)) name = '';
  }
</script>

<div class="card mb-2.5">
  <Fields specs={[CONVENTION]} of={assumption} put={(part, words) => save((now) => changed(now, part), words)} />
</div>
{#each assets as asset, i (`${taken} ${i}`)}
  <AssetEditor
    {asset}
    set={(change, words) => setAsset(i, change, words)}
    takeOut={() =>
      void said
        .of(
          save((now) => ({ ...now, assets: now.assets.filter((_, at) => at !== i) }), `asset ${asset.name} taken out`),
        )
        .then((done) => done && taken++)}
  />
{/each}
<form class="card mb-2.5 flex items-center gap-2" onsubmit={add}>
  <EntryField class="w-[200px]" placeholder="asset" name="Name of a new asset" bind:value={name} maxlength={120} />
  <Act type="submit">Add asset</Act>
  {#if said.words}<span class="bad" role="alert">{said.words}</span>{/if}
</form>
