<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import { answer, api, type Schemas } from '../../lib/api';
  import { monthName } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';
  import { grouped, noAmount, readAmount } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import { Said } from '../../lib/said.svelte';
  import TypedField from '../../lib/TypedField.svelte';
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

  async function putBreach(id: string, breach: Covenant['breach']) {
    await said.of(put((now) => now.map((one) => (one.id === id ? { ...one, breach } : one))));
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
              <select
                class="small-field"
                aria-label="Once {one.name} breaks"
                title="What follows in a scenario, from the day after the test"
                value={covenant(one.id)?.breach ?? 'nothing'}
                onchange={(e) => void putBreach(one.id, e.currentTarget.value as Covenant['breach'])}
              >
                {#each BREACHES as way (way.value)}<option value={way.value}>{way.name}</option>{/each}
              </select>
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
    <select class="small-field" aria-label="What is tested" bind:value={ratio}>
      {#each RATIOS as one (one.value)}<option value={one.value}>{one.name}</option>{/each}
    </select>
    <input class="small-field w-[100px] text-right" placeholder="bound" aria-label="Bound of it" bind:value={bound} />
    <input
      class="small-field w-[190px]"
      placeholder="named in the contract"
      aria-label="Its name in the contract"
      bind:value={name}
    />
    <select class="small-field" aria-label="How often it is tested" bind:value={every}>
      <option value="quarter">each quarter</option><option value="month">each month</option>
    </select>
    <Act type="submit">Add covenant</Act>
  </form>
  {#if past}<PastMonths />{/if}
  {#if said.words || loaded.problem}<p class="bad mt-1" role="alert">{said.words || loaded.problem?.detail}</p>{/if}
</section>
