<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import EntryField from '../../lib/fields/EntryField.svelte';
  import Act from '../../lib/Act.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import TargetField from './TargetField.svelte';
  import WhenFields from './WhenFields.svelte';
  import {
    act,
    actsFor,
    canRamp,
    newId,
    nothingCalled,
    type ActKind,
    type Change,
    type Choice,
    type TypedWhen,
    when,
    WHOLE_ACTS,
  } from './whatif';

  interface Props {
    /** Adds a change; gives the refusal, or nothing. */
    add: (change: Change) => Promise<string>;
  }

  let { add }: Props = $props();
  let words = $state('');
  let found = $state<Choice>();
  let kind = $state<ActKind>('scale');
  let typed = $state('');
  const ALWAYS: TypedWhen = { from: '', to: '', comes: '', goes: '' };
  let typedWhen = $state(ALWAYS);
  let refusal = $state('');
  const offered = $derived(actsFor(found?.target));
  // What is not offered of what was found is not chosen.
  $effect(() => {
    if (!offered.some((one) => one.value === kind)) kind = offered[0]!.value;
  });
  const UNITS: Partial<Record<ActKind, string>> = {
    scale: '(%)',
    'paid-later': '(days)',
    'never-paid': '(points)',
    'shift-days': '(days)',
    'shift-months': '(months)',
  };
  const WHOLE: ActKind[] = ['paid-later', 'shift-days', 'shift-months'];

  async function put(e: SubmitEvent) {
    e.preventDefault();
    if (!found) {
      refusal = nothingCalled(words);
      return;
    }
    if (!WHOLE_ACTS.includes(kind) && !typed.trim()) {
      refusal = 'Say how much: a figure, such as 90 or 1250.50.';
      return;
    }
    if (WHOLE.includes(kind) && !/^-?\d+$/.test(typed.trim())) {
      refusal = `'${typed}' is no number of ${kind === 'shift-months' ? 'months' : 'days'}: type one such as 12, or -5 for sooner.`;
      return;
    }
    const at = when(typedWhen, canRamp(kind));
    if (typeof at === 'string') {
      refusal = at;
      return;
    }
    refusal = await add({
      id: newId(),
      target: found.target,
      act: act(kind, typed, found.target),
      ...at,
      note: '',
      on: true,
    });
    if (!refusal) [words, typed, typedWhen] = ['', '', ALWAYS];
  }
</script>

<form class="mt-3 flex flex-wrap items-end gap-2" onsubmit={(e) => void put(e)} aria-label="A new change">
  <TargetField bind:words bind:found label="What changes" parties />
  <ChoiceField above label="How" bind:value={kind} options={offered} />
  {#if !WHOLE_ACTS.includes(kind)}
    <EntryField
      above
      label="How much {UNITS[kind] ?? found?.unit ?? ''}"
      class="w-[110px] text-right"
      bind:value={typed}
    />
  {/if}
  <WhenFields bind:typed={typedWhen} ramps={canRamp(kind)} />
  <Act type="submit">Add the change</Act>
  <Refusal words={refusal} class="w-full" />
</form>
