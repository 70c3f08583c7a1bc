<script lang="ts">
  import { monthStart } from '../../lib/dates';
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
  let refusal = $state('');
  const METHODS = [
    { kind: 'fixed', name: 'the same every month' },
    { kind: 'growth', name: 'a base that grows' },
    { kind: 'typed', name: 'typed month by month' },
    { kind: 'share', name: 'a share of another line' },
  ];

  async function put(changed: Json, words: string) {
    refusal = await save({ ...assumption, method: changed }, words);
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
    void put(fresh[kind]!, 'method chosen');
  }

  function putPercent(field: string, typed: string) {
    const percent = readPercent(typed);
    if (percent === null) refusal = `'${typed}' is no percentage: type a number such as 12.5.`;
    else void put({ ...method, [field]: percent }, `${field} ${percent}%`);
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
      first={monthStart(plan.view!.tide.asOf)}
      onchange={(amount) => save({ ...assumption, method: { ...method, amount } }, 'amount set')}
    />
  {:else if method.kind === 'growth'}
    <StepsEditor
      label="base a month"
      steps={(method.base ?? []) as StepJson[]}
      first={monthStart(plan.view!.tide.asOf)}
      onchange={(base) => save({ ...assumption, method: { ...method, base } }, 'base set')}
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
      onchange={(e) => void put({ ...method, line: e.currentTarget.value }, 'other line chosen')}
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
