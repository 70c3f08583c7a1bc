<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../../lib/fields/EntryField.svelte';
  import Act from '../../../lib/Act.svelte';
  import type { LineView } from '../../../lib/api';
  import { longDay, noDay, readDay } from '../../../lib/dates';
  import Refusal from '../../../lib/Refusal.svelte';
  import { Said } from '../../../lib/said.svelte';
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import { changed } from './fields';
  import type { Netting, Save } from '../save';

  interface Props {
    netting: Netting;
    coming: LineView['coming'];
    save: Save<Netting>;
  }

  let { netting, coming, save }: Props = $props();
  type Window = NonNullable<Netting['window']>;
  const USUAL: Window = { before: 15, after: 15 };
  const said = new Said();
  const window = $derived(netting.window);
  const chosen = $derived(netting.chosen);
  let day = $state('');
  let planned = $state('');

  function setWindow(side: keyof Window, typed: string) {
    if (!typed.trim()) {
      return save((now) => changed(now, { window: null }), 'looked for between its neighbours');
    }
    if (!/^\d{1,2}$/.test(typed.trim()) || Number(typed) > 60) {
      return `'${typed}' is no number of days: type 0 to 60, or nothing for half-way to the neighbours.`;
    }
    return save(
      (now) => ({ ...now, window: { ...(now.window ?? USUAL), [side]: Number(typed) } }),
      `looked for ${typed} days ${side}`,
    );
  }

  async function choose(e: Event) {
    e.preventDefault();
    const booked = readDay(day);
    if (!booked) return said.now(noDay(day));
    if (!planned) return said.now('Choose the date it counts for.');
    const put = save(
      (now) => ({
        ...now,
        chosen: [...now.chosen.filter((one) => one.day !== booked), { day: booked, planned }],
      }),
      `cash of ${booked} counts for ${planned}`,
    );
    if (await said.of(put)) day = '';
  }

  function takeOut(one: Netting['chosen'][number]) {
    void said.of(
      save(
        (now) => ({ ...now, chosen: now.chosen.filter((other) => other.day !== one.day) }),
        `cash of ${one.day} counts for the nearest date again`,
      ),
    );
  }
</script>

<section class="card mb-2.5 space-y-2" aria-label="Which cash counts for which date">
  <div class="flex flex-wrap items-center gap-3">
    <b class="font-semibold">Cash counts for a date</b>
    <TypedField
      label="from"
      class="w-[48px] text-right"
      placeholder="·"
      value={window ? String(window.before) : ''}
      onput={(typed) => setWindow('before', typed)}
    />
    <TypedField
      label="days before it to"
      class="w-[48px] text-right"
      placeholder="·"
      value={window ? String(window.after) : ''}
      onput={(typed) => setWindow('after', typed)}
      after="days after"
    />
    {#if !window}<span class="hush"
        >now half-way to its neighbours, at most 15 days; a single sum 15 before to 45 after</span
      >{/if}
  </div>
  {#each chosen as one (one.day)}
    <p class="flex items-center gap-3">
      <span>What is booked or due on {longDay(one.day)} counts for {longDay(one.planned)}.</span>
      <button class="underline" onclick={() => takeOut(one)}>Take out</button>
    </p>
  {/each}
  <form class="flex flex-wrap items-center gap-2" aria-label="Put cash to a date" onsubmit={choose}>
    <span class="hush">What is booked or due on</span>
    <EntryField class="w-[110px]" name="Day of the cash" bind:value={day} />
    <span class="hush">counts for</span>
    <ChoiceField
      name="Date it counts for"
      bind:value={planned}
      options={[
        { value: '', name: 'date' },
        ...[...new Set(coming.map((one) => one.typed))].map((date) => ({ value: date, name: longDay(date) })),
      ]}
    />
    <Act type="submit">Put it there</Act>
  </form>
  <Refusal words={said.words} />
</section>
