<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import { grouped, noAmount, readAmount } from '../../../lib/money';
  import { getPlan } from '../../../lib/plan.svelte';
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import { clearedBy, type Entry, type OpeningView } from './opening';

  interface Props {
    name: string;
    side: string;
    entries: { entry: Entry; at: number }[];
    kinds: OpeningView['kinds'];
    /** Puts an entry at its place, or takes it out; gives the refusal, or nothing. */
    onput: (at: number, entry: Entry | undefined) => Promise<string>;
    onadd: (kind: Entry['kind']) => void;
  }

  let { name, side, entries, kinds, onput, onadd }: Props = $props();
  const plan = getPlan();
  const mine = $derived(kinds.filter((kind) => kind.side === side));
  const lines = $derived(plan.view!.lines.filter((line) => line.kind !== 'group'));
  const called = (kind: (typeof kinds)[number]) => ({ value: kind.kind as Entry['kind'], name: kind.name });
  const FREE = ['cash', 'retained'];

  async function amount(at: number, entry: Entry, text: string): Promise<string> {
    const read = readAmount(text);
    return read === null ? noAmount(text) : onput(at, { ...entry, amount: read });
  }
</script>

<section class="card mb-3" aria-label={name}>
  <div class="mb-1 flex items-center gap-3">
    <b class="flex-1 font-semibold">{name}</b>
    <ChoiceField
      label="Add"
      name="Add to {name.toLowerCase()}"
      value="…"
      onput={(chosen) => {
        if (chosen !== '…') onadd(chosen);
        return '';
      }}
      options={['…', ...mine.map(called)]}
    />
  </div>
  {#if entries.length}
    <table class="figures" aria-label="Entries of {name.toLowerCase()}">
      <thead>
        <tr>
          <th class="words" scope="col">Entry</th>
          <th class="words" scope="col">What it is</th>
          <th scope="col">Amount</th>
          <th class="words" scope="col">Cleared by</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        {#each entries as { entry, at } (at)}
          <tr>
            <td class="words"
              ><TypedField
                class="w-[190px]"
                name="Name of {entry.name}"
                value={entry.name}
                onput={(text) => onput(at, { ...entry, name: text })}
              /></td
            >
            <td class="words">
              <ChoiceField
                class="w-[170px]"
                name="Kind of {entry.name}"
                value={entry.kind}
                onput={(kind) => onput(at, { ...entry, kind })}
                options={kinds.map(called)}
              />
            </td>
            <td
              ><TypedField
                class="w-[110px] text-right"
                name="Amount of {entry.name}"
                value={grouped(entry.amount)}
                onput={(text) => amount(at, entry, text)}
              /></td
            >
            <td class="words">
              {#if !FREE.includes(entry.kind)}
                <ChoiceField
                  class="w-[190px]"
                  name="What clears {entry.name}"
                  value={entry.stays ? 'stays' : (entry.line ?? '')}
                  onput={(chosen) => onput(at, clearedBy(entry, chosen))}
                  options={[
                    { value: '', name: 'nothing yet' },
                    { value: 'stays', name: 'it stays as it is' },
                    ...lines.map((line) => ({ value: line.id, name: line.name })),
                  ]}
                />
              {:else}<span class="hush">{entry.kind === 'cash' ? 'the bank accounts' : 'profit and dividends'}</span
                >{/if}
            </td>
            <td
              ><button
                class="hush underline"
                aria-label="Take {entry.name} out"
                onclick={() => void onput(at, undefined)}>take out</button
              ></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}<p class="hush">Nothing yet.</p>{/if}
</section>
