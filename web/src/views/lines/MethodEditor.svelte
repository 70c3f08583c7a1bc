<script lang="ts">
  import { addDays, monthStart } from '../../lib/dates';
  import { readPercent } from '../../lib/money';
  import { getPlan } from '../../lib/plan.svelte';
  import StepsEditor from './StepsEditor.svelte';
  import type { Json, Save, StepJson } from './save';

  interface Props {
    id: string;
    assumption: Json;
    save: Save;
  }

  let { id, assumption, save }: Props = $props();
  const plan = getPlan();
  const method = $derived(assumption.method as Json);
  const others = $derived(plan.view!.lines.filter((line) => line.kind === 'stream' && line.id !== id));
  /** An amount first holds from the first month that is forecast. */
  const first = $derived(monthStart(addDays(plan.view!.tide.asOf, 1)));
  let refusal = $state('');
  const METHODS = [
    { kind: 'fixed', name: 'the same every month' },
    { kind: 'growth', name: 'a base that grows' },
    { kind: 'typed', name: 'typed month by month' },
    { kind: 'share', name: 'a share of another line' },
  ];

  async function put(change: (now: Json) => Json, words: string) {
    refusal = await save((now) => ({ ...now, method: change(now.method as Json) }), words);
  }

  /** A new method begins with what the old one can give it. */
  function choose(kind: string) {
    const steps = (method.amount ?? method.base ?? []) as StepJson[];
    const other = others[0];
    if (kind === 'share' && !other) {
      refusal = 'There is no other line by month to take a share of: add that one first.';
      return;
    }
    const fresh: Record<string, Json> = {
      fixed: { kind, amount: steps },
      growth: { kind, base: steps, growth: '0' },
      typed: { kind, amounts: {} },
      share: { kind, line: other?.id, share: '10' },
    };
    void put(() => fresh[kind]!, 'method chosen');
  }

  function chooseLine(line: string) {
    void put((now) => ({ ...now, line }), 'other line chosen');
  }

  function putPercent(field: string, typed: string) {
    const percent = readPercent(typed);
    if (percent === null) refusal = `'${typed}' is no percentage: type a number such as 12.5.`;
    else void put((now) => ({ ...now, [field]: percent }), `${field} ${percent}%`);
  }
</script>

<div class="mb-2 flex flex-wrap items-start gap-x-4 gap-y-1">
  <label>
    <span class="hush">It is</span>
    <select class="small-field" value={method.kind} onchange={(e) => choose(e.currentTarget.value)}>
      {#each METHODS as one (one.kind)}<option value={one.kind}>{one.name}</option>{/each}
    </select>
  </label>
  {#if method.kind === 'fixed'}
    <StepsEditor
      label="amount a month"
      steps={(method.amount ?? []) as StepJson[]}
      {first}
      onchange={(amount) => save((now) => ({ ...now, method: { ...(now.method as Json), amount } }), 'amount set')}
    />
  {:else if method.kind === 'growth'}
    <StepsEditor
      label="base a month"
      steps={(method.base ?? []) as StepJson[]}
      {first}
      onchange={(base) => save((now) => ({ ...now, method: { ...(now.method as Json), base } }), 'base set')}
    />
    <label>
      <span class="hush">growing % a month</span>
      <input
        class="small-field w-[70px] text-right"
        value={method.growth}
        onchange={(e) => putPercent('growth', e.currentTarget.value)}
      />
    </label>
  {:else if method.kind === 'share'}
    <label>
      <input
        class="small-field w-[70px] text-right"
        aria-label="Share in percent"
        value={method.share}
        onchange={(e) => putPercent('share', e.currentTarget.value)}
      />
      <span class="hush">% of</span>
    </label>
    <select
      class="small-field"
      aria-label="The other line"
      value={method.line}
      onchange={(e) => void chooseLine(e.currentTarget.value)}
    >
      {#each others as line (line.id)}<option value={line.id}>{line.name}</option>{/each}
    </select>
  {:else}
    <span class="hush pt-1"
      >Type or paste figures into the months below; a month left empty repeats the year before.</span
    >
  {/if}
</div>
{#if refusal}<p class="bad mb-2" role="alert">{refusal}</p>{/if}
