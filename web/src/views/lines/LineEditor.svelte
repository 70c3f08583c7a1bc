<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api } from '../../lib/api';
  import { addMonths, monthStart } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import type { TimeWindow } from '../../lib/place.svelte';
  import { getPlan, type LineJson } from '../../lib/plan.svelte';
  import ComingDates from './ComingDates.svelte';
  import ItemsEditor from './ItemsEditor.svelte';
  import RecurringEditor from './RecurringEditor.svelte';
  import StreamEditor from './StreamEditor.svelte';

  interface Props {
    id: string;
    time: TimeWindow;
  }

  let { id }: Props = $props();
  const plan = getPlan();
  /** How many months the strip is moved from where the forecast begins. */
  let offset = $state(0);

  const loaded = new Loaded((signal) => {
    void plan.version;
    const first = monthStart(addMonths(monthStart(nextDay()), offset)).slice(0, 7);
    return answer(
      api.GET('/api/plans/{plan}/lines/{id}', {
        params: { path: { plan: plan.id, id }, query: { from: first as never, history: 3, months: 9 } },
        signal,
      }),
    );
  });
  const view = $derived(loaded.data);
  const line = $derived(view?.line as LineJson | undefined);
  const assumption = $derived(line?.assumption as Record<string, unknown> | undefined);

  function nextDay(): string {
    const asOf = plan.view!.tide.asOf;
    const end = addMonths(monthStart(asOf), 1);
    return new Date(Date.parse(asOf) + 86_400_000).toISOString().slice(0, 10) < end ? asOf : end;
  }

  /** Saves a changed assumption; a refusal in words, or nothing when it was saved. */
  async function save(changed: Record<string, unknown>, words: string): Promise<string> {
    return (await plan.putLine({ ...line!, assumption: changed }, `${line!.name}: ${words}`))?.detail ?? '';
  }

  function switchOff() {
    const active = !(line!.active as boolean);
    void plan.putLine({ ...line!, active }, `'${line!.name}' switched ${active ? 'on' : 'off'}`);
  }
</script>

{#if loaded.problem}
  <p role="alert" class="bad">{loaded.problem.detail}</p>
{:else if view && line && assumption}
  <div class="mb-2 flex h-[34px] items-center gap-3">
    <h1>{line.name}</h1>
    <span class="hush flex-1">
      {line.active ? '' : 'switched off: it counts for nothing'}
      {view.kind === 'group' ? 'a group: the sum of the lines in it' : ''}
    </span>
    <Act onclick={switchOff}>{line.active ? 'Switch off' : 'Switch on'}</Act>
    <Act onclick={() => void plan.deleteLine(id)} title="Delete; Ctrl Z brings it back">Delete</Act>
  </div>
  {#if view.kind === 'stream'}
    <StreamEditor {view} {assumption} {id} {save} {offset} onshift={(by) => (offset += by)} />
  {:else if view.kind === 'recurring'}
    <RecurringEditor {assumption} {save} />
    <ComingDates coming={view.coming} />
  {:else if view.kind === 'items'}
    <ItemsEditor {assumption} {save} />
    <ComingDates coming={view.coming} />
  {:else}
    <p class="card">
      Lines are put into a group by dragging them onto it, or with <kbd>Alt</kbd> <kbd>→</kbd> in the tree. Its figures under
      Forecast are the sum of theirs.
    </p>
  {/if}
{/if}
