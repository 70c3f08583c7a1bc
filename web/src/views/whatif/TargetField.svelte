<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { answer, api, whileWanted } from '../../lib/api';
  import { Loaded } from '../../lib/loaded.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import { choices, ofItems, parts, soughtOfItems, wholes, type Choice } from './whatif';

  interface Props {
    words: string;
    /** What the words name; nothing while they name nothing. */
    found: Choice | undefined;
    label: string;
    /** Whether customers, suppliers, their items, assets, roles, shared terms, certainties and the base rate can be chosen too. */
    parties?: boolean;
  }

  let { words = $bindable(), found = $bindable(), label, parties = false }: Props = $props();
  const plan = getPlan();
  const list = $props.id();

  const assumptions = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/assumptions', { params: { path: { plan: plan.id } }, signal }));
  });
  const customers = new Loaded((signal) => (parties ? habits('RECEIPT', signal) : null));
  const suppliers = new Loaded((signal) => (parties ? habits('PAYMENT', signal) : null));
  /** Of items there are many: those that the words find are offered, and what was offered stays. */
  const MOST_ITEMS = 6;
  let items = $state<Choice[]>([]);
  /** Why items could not be looked for: that none is offered is not to pass for there being none. */
  let notSought = $state('');
  $effect(() => {
    const sought = parties ? soughtOfItems(words) : '';
    if (sought.length < 3 || found) return;
    const asking = new AbortController();
    const waited = setTimeout(() => void offer(sought, asking.signal), 150);
    return () => {
      clearTimeout(waited);
      asking.abort();
    };
  });

  async function offer(sought: string, signal: AbortSignal) {
    const asked = Promise.all(
      (['RECEIPT', 'PAYMENT'] as const).map((direction) =>
        answer(
          api.GET('/api/plans/{plan}/items', {
            params: { path: { plan: plan.id }, query: { direction, words: sought, limit: MOST_ITEMS } },
            signal,
          }),
        ),
      ),
    );
    const lists = await whileWanted(signal, asked);
    if (!lists) return;
    notSought = lists.map((list) => (list.ok ? '' : list.problem.detail)).find(Boolean) ?? '';
    const more = lists.flatMap((list) => (list.ok ? ofItems(list.data.items) : []));
    items = [...items, ...more.filter((one) => !items.some((known) => known.words === one.words))];
  }

  // While a part of the list is under way, a name in it would be refused as unknown.
  const asked = $derived(parties ? [assumptions, customers, suppliers] : [assumptions]);
  const problem = $derived(asked.map((one) => one.problem).find(Boolean));
  const all = $derived([
    ...choices(
      assumptions.data ?? [],
      plan.view?.lines ?? [],
      [
        ...(customers.data?.counterparties ?? []).map((one) => ({
          direction: 'receipt' as const,
          name: one.counterparty,
        })),
        ...(suppliers.data?.counterparties ?? []).map((one) => ({
          direction: 'payment' as const,
          name: one.counterparty,
        })),
      ],
      parties ? (plan.settings.terms ?? []) : [],
    ),
    ...(parties ? [...parts(plan.view?.lines ?? []), ...wholes(), ...items] : []),
  ]);

  function habits(direction: 'RECEIPT' | 'PAYMENT', signal: AbortSignal) {
    return answer(
      api.GET('/api/plans/{plan}/items/habits', {
        params: { path: { plan: plan.id }, query: { direction } },
        signal,
      }),
    );
  }

  $effect(() => {
    found = all.find((one) => one.words.toLowerCase() === words.trim().toLowerCase());
  });
</script>

<EntryField
  above
  {label}
  class="w-[330px]"
  list="choices-{list}"
  bind:value={words}
  placeholder={parties ? 'a line, an assumption or a counterparty' : 'a line, a group or an assumption'}
  autocomplete="off"
  disabled={!asked.every((one) => one.data)}
/>
<Refusal words={problem?.detail || notSought} class="w-full" />
<datalist id="choices-{list}">
  {#each all as one (one.words)}<option value={one.words}></option>{/each}
</datalist>
