<script lang="ts">
  import type { Snippet } from 'svelte';
  import Act from '../../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../../lib/api';
  import { InAddress } from '../../../lib/address.svelte';
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import { head } from '../../../lib/grid/figures';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import NoteForm from '../../track/variance/NoteForm.svelte';
  import type { By } from '../statements';
  import { blockName, percent, periodName } from './against';

  interface Props {
    kind: 'income' | 'balance';
    label: string;
    by: By;
    /** The snapshot it is held against. */
    snapshot: string;
    /** What stands before the choice of the period. */
    lead: Snippet;
  }

  type AgainstRow = Schemas['AgainstRow'];

  let { kind, label, by, snapshot, lead }: Props = $props();
  const plan = getPlan();
  const at = new InAddress('at', '');
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/snapshots/{id}/statements', {
        params: {
          path: { plan: plan.id, id: snapshot },
          query: { kind, by, ...(at.value ? { at: at.value } : {}) },
        },
        signal,
      }),
    );
  });
  const view = $derived(loaded.data);
  const chosen = $derived(view?.blocks[0]?.period);
  let explaining = $state<AgainstRow>();
  const csv = $derived(
    `/api/plans/${plan.id}/snapshots/${snapshot}/statements/csv?kind=${kind}&by=${by}${at.value ? `&at=${at.value}` : ''}`,
  );
  const LOOK = { heading: '', line: '!pl-6', of_which: 'hush !pl-9', sum: '', check: 'hush' };

  async function keep(row: AgainstRow, note: string): Promise<string> {
    const { from, to } = chosen!;
    const problem = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/snapshots/{id}/note', {
          params: { path: { plan: plan.id, id: snapshot }, query: { version } },
          body: { row: `${kind} ${row.id}`, from, to, note },
        }),
      ),
    );
    return problem?.detail ?? '';
  }
</script>

{#if loaded.problem}
  <div class="mb-2">{@render lead()}</div>
  <Refusal words={loaded.problem.detail} />
{:else if view && chosen}
  <div class="mb-2 flex flex-wrap items-center gap-3">
    {@render lead()}
    <ChoiceField
      label="period"
      value={chosen.to}
      onput={(to) => ((at.value = to), '')}
      options={view.choices.map((one) => ({ value: one.to, name: periodName(one) }))}
    />
    <span class="hush flex-1">
      {#if plan.settings.explained === undefined}
        From where on a difference must be explained is said under Track.
      {:else}
        {view.explained} of {view.toExplain} differences to explain are explained.
      {/if}
    </span>
    <Act href={csv}>Export CSV</Act>
  </div>
  {#if explaining}
    <NoteForm row={explaining} onsave={(note) => keep(explaining!, note)} onclose={() => (explaining = undefined)} />
  {/if}
  <div class="overflow-auto" style="max-height:calc(100vh - 280px)">
    <table class="figures" aria-label="{label} against the snapshot">
      <thead class="sticky top-0 z-[2] bg-sheet">
        <tr>
          <th class="words" scope="col" rowspan="2">{plan.money.words}</th>
          {#each view.blocks as block, i (i)}
            <th colspan="4" scope="colgroup" class="border-l border-rule !text-center"
              >{blockName(view, i)}<small>{head(block.period).sub}</small></th
            >
          {/each}
          <th class="words" scope="col" rowspan="2">Note</th>
        </tr>
        <tr>
          {#each view.blocks as block, i (i)}
            <th scope="col" class="border-l border-rule">{block.actualMonths >= block.months ? 'Actual' : 'Now'}</th>
            <th scope="col">Planned</th>
            <th scope="col">Difference</th>
            <th scope="col">%</th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each view.rows as row (row.id)}
          <tr class={row.style === 'sum' ? 'bg-foam font-[650]' : ''}>
            <th scope="row" class="words {LOOK[row.style as keyof typeof LOOK]}">{row.name}</th>
            {#each row.figures as figure, i (i)}
              <td
                class="border-l border-rule {view.blocks[i]!.actualMonths >= view.blocks[i]!.months ? '' : 'estimated'}"
                >{plan.money.cell(figure.now)}</td
              >
              <td class="estimated">{figure.planned === null ? 'not kept' : plan.money.cell(figure.planned)}</td>
              <td class={kind === 'income' && (figure.difference ?? 0) < 0 ? 'bad' : ''}
                >{figure.difference === null ? '' : plan.money.cell(figure.difference)}</td
              >
              <td class="hush">{percent(figure)}</td>
            {/each}
            <td class="words">
              <button
                class="underline decoration-dotted {row.note || row.mustExplain ? '' : 'hush font-normal'}"
                onclick={() => (explaining = row)}
                >{row.note || (row.mustExplain ? 'to explain' : 'note')}<span class="sr-only">
                  on {row.name}</span
                ></button
              >
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
