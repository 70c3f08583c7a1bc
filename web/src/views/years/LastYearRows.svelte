<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { noDay, readDay } from '../../lib/dates';
  import { grouped, noAmount, readAmount } from '../../lib/money';
  import { putRow, withoutEnd, withRow, type LastYear, type LastYearRow, type YearsView } from './years';

  interface Props {
    name: string;
    kinds: YearsView['kinds'];
    last: LastYear;
    /** Changes the last year as edits still under way leave it; gives the refusal, or nothing. */
    onput: (how: (now: LastYear) => LastYear) => Promise<string>;
  }

  let { name, kinds, last, onput }: Props = $props();
  const rows = $derived(last.rows.filter((row) => kinds.some((kind) => kind.row === row.row)));
  const free = $derived(kinds.filter((kind) => kind.many || !last.rows.some((row) => row.row === kind.row)));
  const words = (row: LastYearRow) => kinds.find((kind) => kind.row === row.row)?.name ?? '';

  /** Of a facility: nothing of it is left from that day on. */
  function ends(row: LastYearRow, text: string): string | Promise<string> {
    const day = readDay(text);
    if (text.trim() && !day) return noDay(text);
    return onput((now) => (day ? putRow(now, row.id, { ends: day }) : withoutEnd(now, row.id)));
  }

  function amount(row: LastYearRow, text: string): string | Promise<string> {
    const read = readAmount(text);
    return read === null ? noAmount(text) : onput((now) => putRow(now, row.id, { amount: read }));
  }
</script>

<section class="card" aria-label={name}>
  <div class="mb-1 flex items-center gap-2">
    <b class="flex-1 font-semibold">{name}</b>
    <ChoiceField
      label="Add"
      name="Add to {name}"
      value="…"
      options={['…', ...free.map((kind) => ({ value: kind.row, name: kind.name }))]}
      onput={(row) => {
        const kind = kinds.find((one) => one.row === row);
        return kind ? onput((now) => withRow(now, kind)) : '';
      }}
    />
  </div>
  {#each rows as row (row.id)}
    <div class="mt-1 flex items-center gap-1.5">
      <div class="flex-1">
        <TypedField
          class="w-[190px]"
          name="Name of {row.name}"
          value={row.name}
          onput={(text) => onput((now) => putRow(now, row.id, { name: text.trim() }))}
        />
        {#if words(row) !== row.name}<small class="hush block">{words(row)}</small>{/if}
        {#if row.row === 'debt'}
          <TypedField
            class="w-[100px]"
            label="ends on"
            name="Day on which {row.name} ends"
            placeholder="never"
            value={row.ends ?? ''}
            onput={(text) => ends(row, text)}
          />
        {/if}
      </div>
      <TypedField
        class="w-[104px] text-right"
        name="Amount of {row.name}"
        value={grouped(row.amount)}
        onput={(text) => amount(row, text)}
      />
      <button
        class="hush px-1"
        aria-label="Take out {row.name}"
        title="Take out"
        onclick={() => void onput((now) => putRow(now, row.id, undefined))}>×</button
      >
    </div>
  {/each}
</section>
