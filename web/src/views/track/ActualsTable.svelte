<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { noAmount, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import NewActual from './NewActual.svelte';
  import { pasted } from './actuals';

  let { data }: { data: Schemas['ActualsView'] } = $props();
  const plan = getPlan();
  /** What is typed and not kept yet, by line: it stays until it is kept or given up. */
  let typing = $state<Record<string, string>>({});
  let refused = $state<Record<string, string>>({});
  /** What a pasted column had beyond the lines. */
  let tooMany = $state('');
  let body = $state<HTMLTableSectionElement>();
  const fields = () => [...(body?.querySelectorAll<HTMLInputElement>('input[data-actual]') ?? [])];

  type Figure = Schemas['Typed'];

  async function put(figures: Figure[]): Promise<string> {
    const { from, to, account } = data;
    const problem = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/actuals', {
          params: { path: { plan: plan.id }, query: { version } },
          body: { from, to, account, figures },
        }),
      ),
    );
    return problem?.detail ?? '';
  }

  const figure = (line: string, amount: string): Figure => ({ line, amount, name: null, direction: null });

  /** What is on its way to be kept, by line: leaving a field after Enter keeps nothing twice. */
  const underWay = new Map<string, string>();

  /** Keeps what was typed on a line; nothing typed takes the figure back. What is typed meanwhile stays. */
  async function keep(line: string, typed: string) {
    if (underWay.get(line) === typed) return;
    const amount = typed.trim() === '' ? '' : readAmount(typed);
    refused[line] = amount === null ? noAmount(typed) : '';
    if (amount === null) {
      // The answer to what stood there before must not take this sentence away.
      underWay.delete(line);
      return;
    }
    underWay.set(line, typed);
    const said = await put([figure(line, amount)]);
    // Of two answers that are waited for, the last word's holds.
    if (underWay.get(line) !== typed) return;
    underWay.delete(line);
    refused[line] = said;
    if (!said && typing[line] === typed) delete typing[line];
  }

  /** Moves down at once, hands do not wait for the answer; from what is no amount they do not move. */
  function enter(row: Schemas['ActualRow'], at: number) {
    const accepted = typing[row.line] ?? (row.typed === null ? plan.money.decimal(row.proposed) : undefined);
    if (accepted !== undefined) void keep(row.line, accepted);
    if (!refused[row.line]) fields()[at + 1]?.focus();
  }

  function onkeydown(e: KeyboardEvent, row: Schemas['ActualRow'], at: number) {
    if (e.key === 'Enter') enter(row, at);
    else if (e.key === 'ArrowDown') fields()[at + 1]?.focus();
    else if (e.key === 'ArrowUp') fields()[at - 1]?.focus();
    else if (e.key === 'Escape') {
      delete typing[row.line];
      delete refused[row.line];
    } else return;
    e.preventDefault();
  }

  /** A column pasted lands in place, line after line from the one it is pasted on. */
  async function onpaste(e: ClipboardEvent, at: number) {
    const read = pasted(e.clipboardData?.getData('text/plain') ?? '');
    if (read.length < 2) return;
    e.preventDefault();
    const lines = data.rows.slice(at, at + read.length);
    tooMany =
      read.length > lines.length
        ? `The column has ${read.length} figures, but only ${lines.length === 1 ? '1 line stands' : `${lines.length} lines stand`} from here on: the last ${read.length - lines.length} were not taken. Check that each stands on its line.`
        : '';
    const bad = lines.filter((_, i) => read[i] !== '' && readAmount(read[i]!) === null);
    lines.forEach((row, i) => (typing[row.line] = read[i]!));
    if (bad.length) {
      bad.forEach((row) => (refused[row.line] = noAmount(typing[row.line]!)));
      return;
    }
    const figures = lines.flatMap((row, i) => (read[i] === '' ? [] : [figure(row.line, readAmount(read[i]!)!)]));
    const refusal = await put(figures);
    lines.forEach((row) => delete typing[row.line]);
    if (refusal && lines[0]) refused[lines[0].line] = refusal;
  }
</script>

<div class="overflow-auto" style="max-height:calc(100vh - 262px)">
  <table class="figures" aria-label="Actuals">
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words" scope="col">{plan.money.symbol}</th><th class="words" scope="col">Group</th>
        <th scope="col">Proposed<small>the forecast</small></th>
        <th scope="col">Booked<small>from statements</small></th><th class="words" scope="col">Actual</th>
        <th class="words w-full" scope="col"></th>
      </tr>
    </thead>
    <tbody bind:this={body}>
      {#each data.rows as row, at (row.line)}
        <tr>
          <th scope="row" class="words">{row.name}</th>
          <td class="words hush">{row.group || (row.direction === 'receipt' ? 'Receipts' : 'Payments')}</td>
          <td class="estimated">{plan.money.full(row.proposed)}</td>
          <td>{row.booked ? plan.money.full(row.booked) : ''}</td>
          <td class="words">
            <EntryField
              class="w-[120px] text-right"
              data-actual
              name="Actual of {row.name}"
              refusal={refused[row.line]}
              placeholder={row.typed === null ? plan.money.full(row.proposed) : ''}
              bind:value={
                () => typing[row.line] ?? (row.typed === null ? '' : plan.money.full(row.typed)),
                (text) => (typing[row.line] = text)
              }
              onkeydown={(e) => onkeydown(e, row, at)}
              onchange={() => typing[row.line] !== undefined && void keep(row.line, typing[row.line]!)}
              onpaste={(e) => void onpaste(e, at)}
            />
          </td>
          <td class="words">
            {#if row.typed !== null && !refused[row.line]}<span class="hush">typed</span>{/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
<Refusal words={tooMany} class="mt-1" />
<NewActual onput={(name, direction, amount) => put([{ line: null, amount, name, direction }])} />
<p class="hush mt-1">
  <kbd>Enter</kbd> accepts what is proposed and moves down; a figure typed replaces it, an empty one takes it back; a column
  pasted lands line after line. What is typed is booked on the last day.
</p>
