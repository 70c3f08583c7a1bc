<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { shownScenario, showScenario } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import AddChange from './AddChange.svelte';
  import ChangeTable from './ChangeTable.svelte';
  import Survived from './Survived.svelte';
  import { approve, makeBase, putScenario, removeScenario } from './putting';
  import { freeName, newId, type Change, type Scenario, type ScenarioView } from './whatif';

  interface Props {
    chosen: ScenarioView;
    all: Scenario[];
    onchoose: (id: string) => void;
  }

  let { chosen, all, onchoose }: Props = $props();
  const plan = getPlan();
  const scenario = $derived(chosen.scenario);
  const others = $derived(all.filter((one) => one.id !== scenario.id));

  async function put(changed: Partial<Scenario>, whole = false): Promise<string> {
    const refused = await putScenario(plan, whole ? (changed as Scenario) : { ...scenario, ...changed });
    return refused?.detail ?? '';
  }

  function putChance(typed: string): Promise<string> | string {
    const plain = typed.replace('%', '').trim();
    if (!plain) {
      const { chance: _, ...without } = scenario;
      return put(without, true);
    }
    return /^\d{1,3}(\.\d{1,4})?$/.test(plain)
      ? put({ chance: plain })
      : `A chance is a percentage from 0 to 100, but was '${typed}'.`;
  }

  function add(change: Change): Promise<string> {
    return put({ changes: [...scenario.changes, change] });
  }

  async function copy() {
    const made = {
      ...scenario,
      id: newId(),
      name: freeName(
        `${scenario.name}, copy`,
        all.map((one) => one.name),
      ),
    };
    if (!(await putScenario(plan, made))) onchoose(made.id);
  }

  async function takeOut() {
    if (await removeScenario(plan, scenario.id)) return;
    // Nothing is looked at any more that is not there.
    if (shownScenario() === scenario.id) showScenario('');
  }

  function standOn(id: string, on: boolean) {
    void put({ standsOn: on ? [...scenario.standsOn, id] : scenario.standsOn.filter((one) => one !== id) });
  }
</script>

<section class="card" aria-label="The scenario {scenario.name}">
  <div class="mb-2 flex flex-wrap items-start gap-x-4 gap-y-2">
    <TypedField value={scenario.name} onput={(name) => put({ name })} label="Name " class="w-[220px]" maxlength={120} />
    <TypedField
      value={scenario.note}
      onput={(note) => put({ note })}
      label="Note "
      class="w-[340px]"
      maxlength={10000}
    />
    <span class="flex-1"></span>
    {#if plan.view?.shown?.id === scenario.id}
      <Act onclick={() => showScenario('')} title="Alt B">Show the base again</Act>
    {:else}
      <Act main onclick={() => showScenario(scenario.id)} title="Every view shows it; what is typed becomes its change"
        >Show everywhere</Act
      >
    {/if}
    <Act onclick={() => void copy()}>Copy</Act>
    <Act onclick={() => void put({ putBy: !scenario.putBy })}>{scenario.putBy ? 'Take up again' : 'Put by'}</Act>
    <Act
      onclick={() => void approve(plan, scenario.id)}
      title="Keeps it and the base as they are; Track then holds it against what happens">Approve</Act
    >
    <Act onclick={() => void takeOut()} title="Undo brings it back">Take out</Act>
  </div>
  <div class="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
    <label
      title="Its least headroom stands beside the base's wherever low water stands; the checklist says when it does not hold"
    >
      <input
        type="checkbox"
        checked={scenario.breakwater ?? false}
        onchange={(e) => void put({ breakwater: e.currentTarget.checked })}
      />
      the breakwater: funding must survive it
    </label>
    <TypedField
      value={scenario.chance ?? ''}
      onput={putChance}
      label="How likely, in % "
      class="w-[84px] text-right"
      placeholder="not said"
    />
    <Survived scenario={scenario.id} />
  </div>
  {#if others.length}
    <fieldset class="mb-2 flex flex-wrap gap-x-4">
      <legend class="hush float-left mr-3">Stands on</legend>
      {#each others as one (one.id)}
        <label class="whitespace-nowrap">
          <input
            type="checkbox"
            checked={scenario.standsOn.includes(one.id)}
            onchange={(e) => standOn(one.id, e.currentTarget.checked)}
          />
          {one.name}
        </label>
      {/each}
    </fieldset>
  {/if}
  <ChangeTable {chosen} onput={(changes) => put({ changes })} onbase={(ids) => void makeBase(plan, scenario.id, ids)} />
  <AddChange {add} />
</section>
