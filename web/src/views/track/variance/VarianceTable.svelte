<script lang="ts">
  import { tick } from 'svelte';
  import { GridCursor } from '../../../lib/grid/cursor.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import CarryForm from '../../roll/CarryForm.svelte';
  import { Rolling } from '../../roll/rolling';
  import { furthest, isLine, percent, REASONS, visible, type Row } from '../track';
  import DecisionCell from './DecisionCell.svelte';
  import NoteForm from './NoteForm.svelte';
  import WhyBar from './WhyBar.svelte';

  interface Props {
    rows: Row[];
    /** The day to which a difference is carried where none is said. */
    carryTo: string;
    /** Whether the reasons are shown as figures. */
    figures: boolean;
    onopen: (row: Row) => void;
    onnote: (row: Row, note: string) => Promise<string>;
    onleave: () => void;
  }

  let { rows, carryTo, figures, onopen, onnote, onleave }: Props = $props();
  const plan = getPlan();
  const rolling = new Rolling(plan);
  const shown = $derived(visible(rows));
  const most = $derived(furthest(rows.filter(isLine)));
  const columns = $derived(figures ? 6 + REASONS.length : 7);
  const cursor = new GridCursor(() => [shown.length, 1]);
  let grid = $state<HTMLTableElement>();
  /** The row below which a form stands, and which. */
  let form = $state<{ id: string; of: 'carry' | 'note' }>();
  const FEET = ['net', 'closing'];
  const STRONG = ['section', 'group', 'net', 'closing'];
  const body = $derived(shown.filter((row) => !FEET.includes(row.kind)));
  const feet = $derived(shown.filter((row) => FEET.includes(row.kind)));

  async function focusRow() {
    await tick();
    grid?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  }

  /** Why a key did nothing. */
  let said = $state('');

  const waiting = (row: Row) => row.decisions.find((one) => one.carried === null);

  function act(key: string, row: Row): boolean {
    said = '';
    if (key === 'Enter' || key === 'w') onopen(row);
    else if (key === 'c' && waiting(row)) form = { id: row.id, of: 'carry' };
    else if (key === 'd' && waiting(row)) void rolling.drop(waiting(row)!.key);
    else if (key === 'c' || key === 'd')
      said = row.why.open
        ? `What is open on '${row.name}' is asked about once its month or window is over and the plan is rolled forward; until then it waits.`
        : `Nothing is open on '${row.name}'.`;
    else if (key === 'n') form = { id: row.id, of: 'note' };
    else return false;
    return true;
  }

  function onkeydown(e: KeyboardEvent) {
    if (e.altKey || e.metaKey || e.ctrlKey || (e.target as HTMLElement).matches('input, button')) return;
    if (cursor.move(e.key)) void focusRow();
    else if (e.key === 'Escape') onleave();
    else if (!act(e.key.length === 1 ? e.key.toLowerCase() : e.key, shown[cursor.row]!)) return;
    e.preventDefault();
  }

  function close() {
    form = undefined;
    void focusRow();
  }

  /** Only what is seen to be bad is red: what rounds to nothing is not. */
  function tone(minor: number): string {
    return minor < 0 && /[1-9]/.test(plan.money.cell(minor)) ? 'bad' : '';
  }

  function signed(minor: number): string {
    const text = plan.money.cell(minor);
    return minor > 0 && /[1-9]/.test(text) ? '+' + text : text;
  }
</script>

<div class="overflow-auto" style="max-height:calc(100vh - 268px)">
  <table class="figures" role="grid" aria-label="Forecast against actual" bind:this={grid} {onkeydown}>
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words" scope="col">{plan.money.words}</th><th scope="col">Forecast</th><th scope="col">Actual</th>
        <th scope="col">Variance</th><th scope="col">%</th>{#if figures}{#each REASONS as reason (reason.key)}<th
              scope="col">{reason.name}</th
            >{/each}
        {:else}<th class="words" scope="col">Why: less ◂ ▸ more cash</th>{/if}
        <th class="words w-[172px]" scope="col">Decision</th>
      </tr>
    </thead>
    <tbody>
      {#each body as row (row.id)}
        {@render line(row)}
        {#if form?.id === row.id}
          <tr>
            <td colspan={columns} class="words !h-auto !py-1">
              {#if form.of === 'carry' && waiting(row)}
                <CarryForm difference={waiting(row)!} day={carryTo} {rolling} onclose={close} />
              {:else if form.of === 'note'}
                <NoteForm {row} onsave={(note) => onnote(row, note)} onclose={close} />
              {/if}
            </td>
          </tr>
        {/if}
      {/each}
    </tbody>
    <tfoot class="sticky bottom-0 bg-sheet">
      {#each feet as row (row.id)}{@render line(row)}{/each}
    </tfoot>
  </table>
</div>
{#if said}<p class="hush" role="status">{said}</p>{/if}

{#snippet line(row: Row)}
  {@const r = shown.indexOf(row)}
  <tr
    class="{STRONG.includes(row.kind) ? 'font-[650]' : ''} {row.kind === 'closing' ? 'bg-foam' : ''}
    {row.kind === 'section' ? 'bg-[#fcfbf7]' : ''}"
  >
    <th scope="row" class="words max-w-[230px] truncate" style="padding-left:{7 + row.depth * 14}px">
      {row.name}{row.kind === 'gone_line' ? ' (deleted since)' : ''}
      {#if row.note}<span class="text-ochre" aria-hidden="true" title={row.note}>✎</span>{/if}
    </th>
    <td class="estimated" title={plan.money.sum(row.forecast)}>{plan.money.cell(row.forecast)}</td>
    <td title={plan.money.sum(row.actual)}>{plan.money.cell(row.actual)}</td>
    <td
      role="gridcell"
      tabindex={cursor.row === r ? 0 : -1}
      class="cursor-pointer {tone(row.variance)} {cursor.row === r ? 'outline outline-1 outline-tide' : ''}"
      title="{plan.money.sum(row.variance)}, {row.variance < 0 ? 'unfavourable' : 'favourable'}"
      onclick={() => {
        cursor.set(r, 0);
        void focusRow();
        onopen(row);
      }}>{signed(row.variance)}</td
    >
    <td class="hush">{percent(row)}</td>
    {#if figures}
      {#each REASONS as { key } (key)}
        <td title={plan.money.sum(row.why[key])} class={tone(row.why[key])}
          >{row.why[key] ? signed(row.why[key]) : ''}</td
        >
      {/each}
    {:else}
      <td class="words w-[204px] !px-1">
        {#if isLine(row) && row.variance !== 0}<WhyBar why={row.why} {most} />{/if}
      </td>
    {/if}
    <td class="words !py-0">
      <DecisionCell {row} {rolling} oncarry={() => (form = { id: row.id, of: 'carry' })} />
    </td>
  </tr>
{/snippet}
