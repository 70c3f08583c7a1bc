<script lang="ts">
  import type { MovementView } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';
  import SidePanel from '../../lib/SidePanel.svelte';
  import ChooseLine from './ChooseLine.svelte';
  import DivideForm from './DivideForm.svelte';
  import RuleForm from './RuleForm.svelte';
  import SettleForm from './SettleForm.svelte';

  interface Props {
    act: 'line' | 'divide' | 'rule' | 'settle';
    /** The movements it is done with; dividing and rules take the first. */
    chosen: MovementView[];
    onclose: () => void;
  }

  let { act, chosen, onclose }: Props = $props();
  const plan = getPlan();
  const first = $derived(chosen[0]!);
  const TITLES = { line: 'Assign to a line', divide: 'Divide', rule: 'Remember a rule', settle: 'Settle open items' };
  const title = $derived(TITLES[act]);
</script>

<SidePanel
  {title}
  sub={chosen.length > 1 && act === 'line' ? `${chosen.length} movements` : plan.money.sum(first.minor)}
  {onclose}
>
  <p class="hush mb-2">{first.counterparty} {first.text}</p>
  {#if act === 'line'}
    <ChooseLine {chosen} {onclose} />
  {:else if act === 'settle'}
    <SettleForm movement={first} {onclose} />
  {:else if act === 'divide'}
    <DivideForm movement={first} {onclose} />
  {:else}
    <RuleForm movement={first} {onclose} />
  {/if}
</SidePanel>
