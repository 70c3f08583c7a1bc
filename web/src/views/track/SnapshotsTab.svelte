<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { longDay, shortDay } from '../../lib/dates';
  import { address } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';

  type Snapshot = Schemas['SnapshotListed'];
  let { snapshots }: { snapshots: Snapshot[] } = $props();
  const plan = getPlan();

  async function say(one: Snapshot, change: Partial<Schemas['SnapshotLabel']>): Promise<string> {
    const { name, note, locked, commentary } = one;
    const problem = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/snapshots/{id}', {
          params: { path: { plan: plan.id, id: one.id }, query: { version } },
          body: { name, note, locked, commentary, ...change },
        }),
      ),
    );
    return problem?.detail ?? '';
  }

  function remove(one: Snapshot) {
    void plan.edit((version) =>
      answer(
        api.DELETE('/api/plans/{plan}/snapshots/{id}', {
          params: { path: { plan: plan.id, id: one.id }, query: { version } },
        }),
      ),
    );
  }

  const kilobytes = (size: number) =>
    size ? `${Math.max(1, Math.round(size / 1024)).toLocaleString('en-GB')} kB` : '';
</script>

<div class="overflow-auto" style="max-height:calc(100vh - 200px)">
  <table class="figures" aria-label="Snapshots">
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words" scope="col">Snapshot</th><th class="words" scope="col">Note</th>
        <th class="words" scope="col">As of</th>
        <th class="words" colspan="2" scope="colgroup">Low water it said</th>
        <th scope="col">Closing cash<small>at the end of its horizon</small></th><th scope="col">Costs</th>
        <th class="words" scope="col">Acts</th>
      </tr>
    </thead>
    <tbody>
      {#each snapshots as one (one.id)}
        <tr>
          <th scope="row" class="words">
            <TypedField
              name="Name of {one.name}"
              value={one.name}
              class="w-[250px]"
              maxlength={200}
              onput={(typed) => say(one, { name: typed })}
            />
            {#if one.scenario}<small class="block">of the scenario '{one.scenario}'</small>{/if}
          </th>
          <td class="words w-full">
            <TypedField
              name="Note of {one.name}"
              value={one.note}
              class="w-full min-w-[200px]"
              onput={(typed) => say(one, { note: typed })}
            />
          </td>
          <td class="words">{longDay(one.asOf)}</td>
          <td class="words">{shortDay(one.lowWaterDay)}</td>
          <td title={plan.money.sum(one.lowWaterCash)}>{plan.money.short(one.lowWaterCash)}</td>
          <td title={one.closingCash === null ? '' : `${plan.money.sum(one.closingCash)} on ${longDay(one.horizonEnd)}`}
            >{one.closingCash === null ? '' : plan.money.short(one.closingCash)}</td
          >
          <td class="hush">{kilobytes(one.size)}</td>
          <td class="words">
            <span class="flex gap-1">
              <Act href="#{address(plan.id, 'track', one.id)}">Compare</Act>
              <Act onclick={() => void say(one, { locked: !one.locked })} title="A protected snapshot cannot be removed"
                >{one.locked ? 'Lift protection' : 'Protect'}</Act
              >
              <Act onclick={() => remove(one)} disabled={one.locked} title="Ctrl Z brings it back">Remove</Act>
            </span>
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
