<script lang="ts">
  import { grouped, noAmount, readAmount } from '../../../lib/money';
  import { getPlan } from '../../../lib/plan.svelte';
  import TypedField from '../../../lib/TypedField.svelte';
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
  const FREE = ['cash', 'retained'];

  async function amount(at: number, entry: Entry, text: string): Promise<string> {
    const read = readAmount(text);
    return read === null ? noAmount(text) : onput(at, { ...entry, amount: read });
  }
</script>

<section class="card mb-3" aria-label={name}>
  <div class="mb-1 flex items-center gap-3">
    <b class="flex-1 font-semibold">{name}</b>
    <label class="hush"
      >Add <select
        class="small-field"
        aria-label="Add to {name.toLowerCase()}"
        value=""
        onchange={(e) => {
          onadd(e.currentTarget.value as Entry['kind']);
          e.currentTarget.value = '';
        }}
      >
        <option value="">…</option>
        {#each mine as kind (kind.kind)}<option value={kind.kind}>{kind.name}</option>{/each}
      </select></label
    >
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
              <select
                class="small-field w-[170px]"
                aria-label="Kind of {entry.name}"
                value={entry.kind}
                onchange={(e) => void onput(at, { ...entry, kind: e.currentTarget.value as Entry['kind'] })}
              >
                {#each kinds as kind (kind.kind)}<option value={kind.kind}>{kind.name}</option>{/each}
              </select>
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
                <select
                  class="small-field w-[190px]"
                  aria-label="What clears {entry.name}"
                  value={entry.stays ? 'stays' : (entry.line ?? '')}
                  onchange={(e) => void onput(at, clearedBy(entry, e.currentTarget.value))}
                >
                  <option value="">nothing yet</option>
                  <option value="stays">it stays as it is</option>
                  {#each lines as line (line.id)}<option value={line.id}>{line.name}</option>{/each}
                </select>
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
