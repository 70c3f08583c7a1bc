<script lang="ts">
  import Act from '../../lib/Act.svelte';
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { grouped, readAmount } from '../../lib/money';
  import { getPlan, type Settings } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { debtRows, type YearsView } from './years';

  type Years = NonNullable<Settings['years']>;

  interface Props {
    view: YearsView;
    years: Years;
    onput: (how: (now: Years) => Years) => Promise<string>;
  }

  let { view, years, onput }: Props = $props();
  const plan = getPlan();
  const names = $derived(view.years.slice(1).map((one) => ({ value: one.name, name: one.label })));
  const called = (name: number) => view.years.find((one) => one.name === name)?.label ?? String(name);
  const KINDS = [
    { value: 'new-debt', name: 'new debt' },
    { value: 'repaid', name: 'debt repaid' },
    { value: 'equity-in', name: 'equity paid in' },
    { value: 'equity-out', name: 'equity drawn' },
    { value: 'disposal', name: 'assets sold' },
  ] as const;
  let kind = $state<(typeof KINDS)[number]['value']>('new-debt');
  let year = $state(0);
  let row = $state('');
  let amount = $state('');
  let accumulated = $state('');
  let proceeds = $state('');
  let refusal = $state('');
  const there = $derived(debtRows(years, plan.view!.lines, ['revolving', 'loan']));
  /** What is drawn first is drawn and repaid by what cash needs. */
  const debts = $derived([{ value: '', name: 'new debt' }, ...there.filter((one) => one.value !== years.facility)]);
  const chosen = $derived(names.some((one) => one.value === year) ? year : (names[0]?.value ?? 0));

  /** What single years hold, each with what takes it out. */
  const events = $derived([
    ...(years.debts ?? []).map((one, at) => ({
      key: `debt ${at}`,
      words: `${called(one.year)}: ${one.amount.startsWith('-') ? 'repaid' : 'new'} ${grouped(one.amount.replace('-', ''))}, ${
        debts.find((debt) => debt.value === (one.row ?? ''))?.name ?? one.row
      }`,
      out: (now: Years) => ({ ...now, debts: (now.debts ?? []).filter((_, i) => i !== at) }),
    })),
    ...(years.equity ?? []).map((one, at) => ({
      key: `equity ${at}`,
      words: `${called(one.year)}: equity ${one.amount.startsWith('-') ? 'drawn' : 'paid in'} ${grouped(one.amount.replace('-', ''))}`,
      out: (now: Years) => ({ ...now, equity: (now.equity ?? []).filter((_, i) => i !== at) }),
    })),
    ...(years.disposals ?? []).map((one, at) => ({
      key: `disposal ${at}`,
      words: `${called(one.year)}: assets that cost ${grouped(one.gross)}, ${grouped(one.accumulated)} of it depreciated, sold for ${grouped(one.proceeds)}`,
      out: (now: Years) => ({ ...now, disposals: (now.disposals ?? []).filter((_, i) => i !== at) }),
    })),
  ]);

  function added(now: Years, read: string[]): Years {
    const [sum, worn, price] = read as [string, string, string];
    switch (kind) {
      case 'disposal':
        return {
          ...now,
          disposals: [...(now.disposals ?? []), { year: chosen, gross: sum, accumulated: worn, proceeds: price }],
        };
      case 'equity-in':
      case 'equity-out':
        return {
          ...now,
          equity: [...(now.equity ?? []), { year: chosen, amount: (kind === 'equity-out' ? '-' : '') + sum }],
        };
      default:
        return {
          ...now,
          debts: [
            ...(now.debts ?? []),
            { ...(row ? { row } : {}), year: chosen, amount: (kind === 'repaid' ? '-' : '') + sum },
          ],
        };
    }
  }

  async function add() {
    const read = [amount, accumulated || '0', proceeds || '0'].map(readAmount);
    if (read.some((one) => one === null || one.startsWith('-'))) {
      refusal = 'Type an amount above zero, such as 50,000 or 50k.';
      return;
    }
    refusal = await onput((now) => added(now, read as string[]));
    if (!refusal) amount = accumulated = proceeds = '';
  }
</script>

<section class="card" aria-label="In single years">
  <b class="font-semibold">In single years</b>
  <ul aria-label="What happens in single years">
    {#each events as one (one.key)}
      <li class="mt-1 flex items-center gap-2">
        <span class="flex-1">{one.words}</span>
        <button class="hush px-1" aria-label="Take out {one.words}" onclick={() => void onput(one.out)}>×</button>
      </li>
    {:else}<li class="hush mt-1">No new debt, repayment, equity or sale of assets yet.</li>{/each}
  </ul>
  <form
    class="mt-2 flex flex-wrap items-end gap-2"
    onsubmit={(e) => {
      e.preventDefault();
      void add();
    }}
  >
    <ChoiceField label="What" above bind:value={kind} options={KINDS} />
    {#if kind === 'new-debt' || kind === 'repaid'}
      <ChoiceField label="Of" above bind:value={row} options={debts} />
    {/if}
    <ChoiceField label="In" above value={chosen} options={names} onchoose={(name) => (year = name)} />
    <EntryField
      label={kind === 'disposal' ? 'Cost' : 'Amount'}
      above
      class="w-[100px] text-right"
      bind:value={amount}
    />
    {#if kind === 'disposal'}
      <EntryField label="Depreciated" above class="w-[100px] text-right" bind:value={accumulated} />
      <EntryField label="Sold for" above class="w-[100px] text-right" bind:value={proceeds} />
    {/if}
    <Act onclick={() => void add()}>Add</Act>
  </form>
  <Refusal words={refusal} class="mt-1" />
</section>
