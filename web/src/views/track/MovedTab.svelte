<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { longDay, noDay, readDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import Waterfall, { type WaterfallBar } from '../../lib/Waterfall.svelte';
  import { CAUSES } from './track';

  let { snapshots }: { snapshots: Schemas['SnapshotListed'][] } = $props();
  const plan = getPlan();
  let oldId = $state<string>();
  /** Empty for the forecast as it is now. */
  let newId = $state('');
  let day = $state<string>();
  const old = $derived(snapshots.find((one) => one.id === oldId) ?? snapshots[0]!);
  const later = $derived(snapshots.filter((one) => one.asOf >= old.asOf && one.id !== old.id));

  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(
      api.GET('/api/plans/{plan}/snapshots/{id}/bridge', {
        params: {
          path: { plan: plan.id, id: old.id },
          query: { ...(day ? { day } : {}), ...(newId ? { to: newId } : {}) },
        },
        signal,
      }),
    );
  });
  const data = $derived(loaded.data);
  const shown = $derived(data?.causes.filter((cause) => cause.moved !== 0) ?? []);

  function bars(moved: Schemas['MovedView']): WaterfallBar[] {
    const total = (key: string, name: string, minor: number) => ({ key, name, from: 0, to: minor, minor, total: true });
    return [
      total('before', `Closing cash on ${longDay(moved.day)}, then`, moved.before),
      ...shown.map(({ cause, from, to, moved: minor }) => ({
        key: cause,
        name: CAUSES[cause] ?? cause,
        from,
        to,
        minor,
        total: false,
      })),
      total('after', 'and now', moved.after),
    ];
  }

  function putDay(typed: string): string {
    const read = readDay(typed);
    if (!read) return noDay(typed);
    if (data && (read < data.firstDay || read > data.lastDay))
      return `Both forecasts reach from ${longDay(data.firstDay)} to ${longDay(data.lastDay)}: choose a day of these.`;
    day = read;
    return '';
  }

  function signed(minor: number): string {
    const text = plan.money.cell(minor);
    return minor > 0 && /[1-9]/.test(text) ? '+' + text : text;
  }
</script>

<div class="mb-2 flex items-center gap-3">
  <ChoiceField
    label="from"
    class="max-w-[230px]"
    name="From which forecast"
    value={old.id}
    onchoose={(chosen) => (oldId = chosen)}
    options={snapshots.map((one) => ({ value: one.id, name: one.name }))}
  />
  <ChoiceField
    label="to"
    class="max-w-[230px]"
    name="To which forecast"
    bind:value={newId}
    options={[
      { value: '', name: 'the forecast as it is now' },
      ...later.map((one) => ({ value: one.id, name: one.name })),
    ]}
  />
  <TypedField label="closing cash on" value={data ? longDay(data.day) : ''} onput={putDay} class="w-[100px]" />
  {#if data}<span class="hush">{day ? '' : 'the day of low water'}</span>{/if}
</div>

{#if loaded.problem}
  <Refusal words={loaded.problem.detail} />
{:else if data}
  <Waterfall
    bars={bars(data)}
    label="From {plan.money.sum(data.before)} to {plan.money.sum(data.after)}, cause by cause"
  />
  <div class="mt-3 overflow-auto" style="max-height:calc(100vh - 410px)">
    <table class="figures" aria-label="What moved, by line and cause">
      <thead class="sticky top-0 bg-sheet">
        <tr>
          <th class="words" scope="col">{plan.money.words}</th><th scope="col">Moved</th>
          {#each shown as cause (cause.cause)}<th scope="col">{CAUSES[cause.cause]}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each data.rows as row (row.id)}
          <tr>
            <th scope="row" class="words">{row.name}</th>
            <td class={row.moved < 0 ? 'bad' : ''} title={plan.money.sum(row.moved)}>{signed(row.moved)}</td>
            {#each shown as cause (cause.cause)}
              {@const minor = row.causes[data.causes.indexOf(cause)] ?? 0}
              <td title={plan.money.sum(minor)}>{minor ? signed(minor) : ''}</td>
            {/each}
          </tr>
        {:else}
          <tr><td class="words hush" colspan="2">Nothing moved.</td></tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
