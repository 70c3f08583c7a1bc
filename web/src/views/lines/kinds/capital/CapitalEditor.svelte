<script lang="ts">
  import EntryField from '../../../../lib/fields/EntryField.svelte';
  import Act from '../../../../lib/Act.svelte';
  import { answer, api, fileForm, type Schemas } from '../../../../lib/api';
  import BringRows from '../../../../lib/BringRows.svelte';
  import { monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import { Said } from '../../../../lib/said.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { CONVENTION } from '../../parts/choices';
  import { changed } from '../../parts/fields';
  import type { EditorProps } from '../kind';
  import AssetEditor from './AssetEditor.svelte';
  import AssetYears from './AssetYears.svelte';
  import { withRegister, type Asset } from './wear';

  let { id, assumption, save }: EditorProps<'capital'> = $props();
  const plan = getPlan();
  const said = new Said();
  const assets = $derived(assumption.assets);
  let name = $state('');
  /** Part of each key, so that a new name keeps what is being typed, and taking one out leaves none of it to the next. */
  let taken = $state(0);

  function setAsset(at: number, change: (asset: Asset) => Asset, words: string): Promise<string> {
    return save((now) => ({ ...now, assets: now.assets.map((asset, i) => (i === at ? change(asset) : asset)) }), words);
  }

  const read = (file: Blob) =>
    answer(
      api.POST('/api/plans/{plan}/lines/{id}/assets/read', {
        params: { path: { plan: plan.id, id } },
        ...fileForm(file, 'assets.csv'),
      }),
    );

  function assetsOf(register: Schemas['AssetsReadView']): Asset[] {
    return register.assumption.kind === 'capital' ? register.assumption.assets : [];
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
      stepwise: false,
    };
    const adding = save((now) => ({ ...now, assets: [...now.assets, asset] }), `asset ${asset.name} added`);
    if (await said.of(adding)) name = '';
  }
</script>

<div class="card mb-2.5">
  <Fields specs={[CONVENTION]} of={assumption} put={(part, words) => save((now) => changed(now, part), words)} />
</div>
<AssetYears {id} />
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
<section class="card mb-2.5" aria-label="A register of assets">
  <b class="hush block font-normal">A register of what is owned, and of what is bought later</b>
  <BringRows
    of="the register of assets"
    hint="Name, cost, depreciation so far, used from, life; or under headings, with worth at the end, % a year, method."
    {read}
    count={(register) => assetsOf(register).length}
    ontake={(register) =>
      save(
        (now) => ({ ...now, assets: withRegister(now.assets, assetsOf(register), plan.view!.tide.asOf) }),
        `register of ${assetsOf(register).length} assets taken over`,
      )}
  />
</section>
