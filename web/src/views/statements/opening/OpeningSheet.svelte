<script lang="ts">
  import { push } from 'svelte-spa-router';
  import Act from '../../../lib/Act.svelte';
  import { answer, api } from '../../../lib/api';
  import { fullDay } from '../../../lib/dates';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { addressOfLine } from '../../../lib/place.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import { changed, ofSide, type Entry, type Sheet } from './opening';
  import OpeningBring from './OpeningBring.svelte';
  import OpeningSide from './OpeningSide.svelte';

  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/statements/opening', { params: { path: { plan: plan.id } }, signal }));
  });
  const view = $derived(loaded.data);
  const sheet = $derived(plan.settings.openingSheet);
  /** What is edited: the sheet of the plan's day, begun where there is none or only that of another day. */
  const edited = $derived<Sheet>(sheet && sheet.on === view?.on ? sheet : { on: view?.on ?? '', entries: [] });
  const SIDES = [
    { side: 'assets', name: 'Assets' },
    { side: 'liabilities', name: 'Liabilities' },
    { side: 'equity', name: 'Equity' },
  ];
  let refusal = $state('');

  async function keep(next: Sheet): Promise<string> {
    const refused = await plan.putSettings((now) => ({ ...now, openingSheet: next }));
    return refused?.detail ?? '';
  }

  async function said(next: Sheet) {
    refusal = await keep(next);
  }

  function add(kind: Entry['kind']) {
    const name = view!.kinds.find((one) => one.kind === kind)!.name;
    const entries = edited.entries;
    const same = entries.filter((one) => one.kind === kind).length;
    void said({ ...edited, entries: [...entries, { name: same ? `${name} ${same + 1}` : name, kind, amount: '0' }] });
  }

  /** Takes over a sheet that is made for it: with what the plan knows, with what it lacks placed, or from the ledger. */
  async function take(made: 'proposed' | 'placed' | 'ledger') {
    const got = await answer(
      api.GET(`/api/plans/{plan}/statements/opening/${made}`, { params: { path: { plan: plan.id } } }),
    );
    if (got.ok) await said(got.data);
    else refusal = got.problem.detail;
  }
</script>

<Refusal words={loaded.problem?.detail} />
{#if view}
  <section class="card mb-3" aria-label="Opening balance sheet">
    <div class="flex items-center gap-3">
      <b class="flex-1 font-semibold">Opening balance sheet at the end of {fullDay(view.on)}</b>
      {#if view.inLedger}<Act main={!view.there} onclick={() => void take('ledger')}>Take it from the trial balance</Act
        >{/if}
      <Act onclick={() => void take('proposed')}>Fill in what the plan knows</Act>
      {#if view.there && view.unplaced !== 0}
        <Act onclick={() => void take('placed')}>Place {plan.money.full(view.unplaced)} in retained profit</Act>
      {/if}
    </div>
    <Refusal words={refusal} class="mt-1" />
    {#if view.there && !view.findings.length}
      <p class="mt-1" role="status">It balances, and everything in it is cleared or stays.</p>
    {:else}
      <ul class="mt-1 list-disc pl-5" aria-label="To look at">
        {#each view.findings as finding, i (i)}
          <li>
            {finding.sentence}.
            {#if finding.lineId}<button
                class="underline decoration-dotted"
                onclick={() => void push(addressOfLine(plan, finding.lineId!))}>Open the line</button
              >{/if}
          </li>
        {/each}
      </ul>
    {/if}
    <OpeningBring onread={(read) => keep({ on: view.on, entries: read.entries ?? [] })} />
  </section>
  {#each SIDES as { side, name } (side)}
    <OpeningSide
      {name}
      {side}
      kinds={view.kinds}
      entries={ofSide(edited, view.kinds, side)}
      onput={(at: number, entry: Entry | undefined) => keep(changed(edited, at, entry))}
      onadd={add}
    />
  {/each}
{/if}
