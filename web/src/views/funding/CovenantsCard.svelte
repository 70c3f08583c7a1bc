<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { monthName } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { grouped, noAmount, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import { Said } from '../../lib/said.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { BREACHES, RATIOS } from './funding';
  import PastMonths from './PastMonths.svelte';

  type Covenant = Schemas['covenant'];

  const plan = getPlan();
  const said = new Said();
  let ratio = $state<Covenant['ratio']>('least-liquidity');
  let bound = $state('');
  let name = $state('');
  let every = $state<Covenant['every']>('quarter');
  let past = $state(false);

  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/funding/covenants', { params: { path: { plan: plan.id } }, signal }));
  });
  const covenants = $derived(loaded.data ?? []);
  const broken = $derived(covenants.filter((one) => one.firstBreak));

  async function put(change: (now: Covenant[]) => Covenant[]): Promise<string> {
    const refused = await plan.putSettings((now) => ({ ...now, covenants: change(now.covenants ?? []) }));
    return refused?.detail ?? '';
  }

  async function add(e: Event) {
    e.preventDefault();
    const read = readAmount(bound);
    if (read === null) return said.now(noAmount(bound));
    const called = name.trim() || RATIOS.find((one) => one.value === ratio)!.name;
    const added = { id: crypto.randomUUID(), name: called, ratio, bound: read, every };
    if (await said.of(put((now) => [...now, added]))) bound = name = '';
  }

  /** A covenant as it is kept: what is tested and its name are what the contract says. */
  function covenant(id: string): Covenant | undefined {
    return plan.settings.covenants?.find((one) => one.id === id);
  }

  function putBreach(id: string, breach: Covenant['breach']) {
    return put((now) => now.map((one) => (one.id === id ? { ...one, breach } : one)));
  }

  async function putBound(id: string, text: string): Promise<string> {
    const read = readAmount(text);
    return read === null
      ? noAmount(text)
      : put((now) => now.map((one) => (one.id === id ? { ...one, bound: read } : one)));
  }

  function takeOut(id: string) {
    void said.of(put((now) => now.filter((one) => one.id !== id)));
  }
</script>

<section class="card mb-3" aria-label="Covenants">
  <div class="flex items-center gap-3">
    <b class="flex-1 font-semibold">Covenants</b>
    <Act onclick={() => (past = !past)}>Months before the forecast</Act>
  </div>
  {#if covenants.length}
    <table class="figures mt-1">
      <thead>
        <tr>
          <th class="words" scope="col">Tested</th><th class="words" scope="col">Bound</th><th scope="col">Tightest</th>
          <th class="words" scope="col">at the end of</th><th scope="col">Room</th>
          <th scope="col">Days later</th><th class="words" scope="col"></th>
          <th class="words" scope="col">Once it breaks</th>
          <th class="words" scope="col"></th>
        </tr>
      </thead>
      <tbody>
        {#each covenants as one (one.id)}
          <tr>
            <th class="words" scope="row">{one.name}</th>
            <td class="words"
              >{one.ratio === 'net-debt-to-ebitda' ? 'at most' : 'at least'}
              <TypedField
                class="w-[90px] text-right"
                name="Bound of {one.name}"
                value={grouped(covenant(one.id)?.bound ?? '')}
                onput={(text) => putBound(one.id, text)}
              /></td
            >
            <td>{one.tightest?.value ?? '–'}</td>
            <td class="words"
              >{one.tightest ? `${monthName(one.tightest.date)} ${one.tightest.date.slice(0, 4)}` : ''}</td
            >
            <td title={one.sentence}
              >{one.tightest?.room === null || !one.tightest ? '' : plan.money.full(one.tightest.room)}</td
            >
            <td title="by how many days all customers could pay later">{one.tightest?.daysLater ?? ''}</td>
            <td class="words {one.firstBreak ? 'bad' : 'hush'}"
              >{one.firstBreak ? 'breaks' : one.known ? 'holds' : 'not known'}</td
            >
            <td class="words">
              <ChoiceField
                name="Once {one.name} breaks"
                title="What follows in a scenario, from the day after the test"
                value={covenant(one.id)?.breach ?? 'nothing'}
                onput={(breach) => putBreach(one.id, breach)}
                options={BREACHES}
              />
            </td>
            <td class="words"
              ><button class="underline" aria-label="Take out {one.name}" onclick={() => takeOut(one.id)}
                >Take out</button
              ></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  {#each broken as one (one.id)}<p class="bad mt-1">{one.sentence}.</p>{/each}
  <form class="mt-1.5 flex flex-wrap items-center gap-2" aria-label="Add a covenant" onsubmit={add}>
    <ChoiceField name="What is tested" bind:value={ratio} options={RATIOS} />
    <EntryField class="w-[100px] text-right" placeholder="bound" name="Bound of it" bind:value={bound} />
    <EntryField
      class="w-[190px]"
      placeholder="named in the contract"
      name="Its name in the contract"
      bind:value={name}
    />
    <ChoiceField
      name="How often it is tested"
      bind:value={every}
      options={[
        { value: 'quarter', name: 'each quarter' },
        { value: 'month', name: 'each month' },
      ]}
    />
    <Act type="submit">Add covenant</Act>
  </form>
  {#if past}<PastMonths />{/if}
  {#if said.words || loaded.problem}<p class="bad mt-1" role="alert">{said.words || loaded.problem?.detail}</p>{/if}
</section>
