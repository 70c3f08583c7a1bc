<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type LineView } from '../../lib/api';
  import { addMonths } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { addressAsking, type TimeWindow } from '../../lib/place.svelte';
  import { getPlan, type Line } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { takesBase } from '../../lib/shell/views';
  import ComingDates from './parts/ComingDates.svelte';
  import RollForwardCard from './parts/RollForwardCard.svelte';
  import KindEditor from './kinds/KindEditor.svelte';
  import { KINDS } from './kinds/kinds';
  import type { Assumption, Netting, Of } from './save';

  interface Props {
    id: string;
    time: TimeWindow;
    oncopied: (id: string) => void;
  }

  let { id, time, oncopied }: Props = $props();
  const ROLLS: Record<string, string> = {
    'fixed-assets': 'Book value, month by month',
    prepaid: 'Prepaid, or accrued when below zero',
    'profit-tax': 'Owed, month by month',
    'sales-tax': 'Owed, month by month',
    'pay-owed': 'Owed, month by month',
  };
  const plan = getPlan();
  const USUAL: Netting = { left: 'catch-up', chosen: [] };
  /** How many months what is shown is moved from where the window, or the forecast, begins. */
  let offset = $state(0);

  const loaded = new Loaded((signal) => {
    void plan.version;
    const { from, history, months } = time.monthsOfALine;
    return answer(
      api.GET('/api/plans/{plan}/lines/{id}', {
        params: {
          path: { plan: plan.id, id },
          query: { from: addMonths(from, offset).slice(0, 7), history, months },
        },
        signal,
      }),
    );
  });
  const view = $derived(loaded.data);
  /** The line as the latest edit left it, until the view has heard of it. */
  let saved = $state.raw<{ since: LineView; line: Line }>();
  const line = $derived(current());
  const assumption = $derived(line?.assumption);
  const kind = $derived(assumption && KINDS[assumption.kind]);
  const netting = $derived(line?.netting ?? USUAL);

  /** Read from the states themselves: edits under way are made though the editor was left, when nothing is derived any more. */
  function current(): Line | undefined {
    return saved && saved.since === loaded.data ? saved.line : loaded.data?.line;
  }

  let last: Promise<unknown> = Promise.resolve();

  /** What saves changes of an assumption of a kind: a line never changes its kind. */
  function saveOf<K extends Assumption['kind']>(kind: K) {
    const isOfKind = (one: Assumption): one is Of<K> => one.kind === kind;
    return (change: (now: Of<K>) => Of<K>, words: string) =>
      saveLine((now) => (isOfKind(now.assumption) ? { ...now, assumption: change(now.assumption) } : now), words);
  }

  /** Netting is a part of the line, beside what it assumes. */
  function saveNetting(change: (now: Netting) => Netting, words: string): Promise<string> {
    return saveLine((now) => ({ ...now, netting: change(now.netting ?? USUAL) }), words);
  }

  /** A cost that is paid from now on counts no more as one that never is. */
  function counting(next: Line): Line {
    const neverPaid = next.assumption.kind === 'recurring' && next.assumption.nonCash;
    const counts = next.nature === 'depreciation' || next.nature === 'provision';
    return counts && !neverPaid ? { ...next, nature: 'overheads' } : next;
  }

  function saveLine(change: (now: Line) => Line, words: string): Promise<string> {
    const saving = last.then(async () => {
      const now = current()!;
      const next = counting(change(now));
      const problem = await plan.putLine(next, `${next.name}: ${words}`);
      if (!problem) saved = { since: loaded.data!, line: next };
      return problem?.detail ?? '';
    });
    last = saving;
    return saving;
  }

  /** The address that asks how far the line can go. */
  function howFar(name: string): string {
    return addressAsking(plan.id, 'whatif', 'how-far', {
      of: `${name} (the whole ${view?.kind === 'group' ? 'group' : 'line'})`,
    });
  }

  async function copy() {
    await last;
    const to = crypto.randomUUID();
    const problem = await plan.copyLine(id, to);
    if (!problem) oncopied(to);
  }

  const NATURES = [
    { value: 'sales', name: 'sales' },
    { value: 'other-income', name: 'other income' },
    { value: 'cost-of-sales', name: 'cost of sales' },
    { value: 'overheads', name: 'overheads' },
    { value: 'outside', name: 'neither income nor cost' },
    { value: 'depreciation', name: 'depreciation, never paid' },
    { value: 'provision', name: 'a provision, never paid' },
  ] as const;

  async function setNature(nature: Line['nature']) {
    const words = NATURES.find((one) => one.value === nature)!.name;
    const refused = await plan.putLine({ ...line!, nature }, `'${line!.name}' counts as ${words}`);
    return refused?.detail ?? '';
  }

  function onkeydown(e: KeyboardEvent) {
    if (!takesBase(e)) return;
    e.preventDefault();
    void last.then(() => plan.takeBase(id));
  }

  function switchOff() {
    const active = !line!.active;
    void plan.putLine({ ...line!, active }, `'${line!.name}' switched ${active ? 'on' : 'off'}`);
  }
</script>

<svelte:window {onkeydown} />

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if view && line && assumption}
  <div class="mb-2 flex h-[34px] items-center gap-3">
    <h1>{line.name}</h1>
    <span class="hush flex-1">
      {line.active ? '' : 'switched off: it counts for nothing'}
      {view.kind === 'group' ? 'a group: the sum of the lines in it' : ''}
    </span>
    {#if view.kind !== 'group'}
      <Act onclick={() => void copy()} title="Another line with the same assumptions, right after this one">Copy</Act>
      <Act
        onclick={() => void last.then(() => plan.clearLine(id))}
        title="Takes its figures and overrides out; history, dates and terms stay. Ctrl Z brings them back"
        >Clear figures</Act
      >
    {/if}
    {#if kind?.natured}
      <ChoiceField label="counts as" value={line.nature} onput={setNature} options={NATURES} />
    {/if}
    <Act href="#{howFar(line.name)}" title="How far it can go before cash runs short">How far?</Act>
    <Act onclick={switchOff}>{line.active ? 'Switch off' : 'Switch on'}</Act>
    <Act onclick={() => void plan.deleteLine(id)} title="Delete; Ctrl Z brings it back">Delete</Act>
  </div>
  <KindEditor
    kind={assumption.kind}
    {id}
    {assumption}
    save={saveOf(assumption.kind)}
    {view}
    {netting}
    {saveNetting}
    {offset}
    onshift={(by) => (offset += by)}
  />
  {#if kind?.coming}
    {#each view.owed as roll (roll.kind)}<RollForwardCard {roll} title={ROLLS[roll.kind] ?? 'Month by month'} />{/each}
    {#if kind.coming === 'always' || view.coming.length}<ComingDates coming={view.coming} />{/if}
  {/if}
{/if}
