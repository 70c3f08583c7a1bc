<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import Act from '../../../lib/Act.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import TargetField from '../TargetField.svelte';
  import { nothingCalled, type Choice } from '../whatif';

  interface Props {
    /** Hears of the row by its name: what it says, a colon, of what. */
    onadd: (row: string) => void;
  }

  let { onadd }: Props = $props();
  let words = $state('');
  let found = $state<Choice>();
  let says = $state<'SHARE' | 'DAYS_LATER'>('SHARE');
  let refusal = $state('');

  function add(e: SubmitEvent) {
    e.preventDefault();
    refusal = found ? '' : nothingCalled(words);
    if (found?.target.kind === 'assumption') onadd(`VALUE:${found.target.path}`);
    else if (found?.target.kind === 'line') onadd(`${says}:${found.target.line}`);
    if (found) words = '';
  }
</script>

<form class="flex flex-wrap items-end gap-2" onsubmit={add} aria-label="A new row">
  <TargetField bind:words bind:found label="A row for" />
  {#if found?.target.kind === 'line'}
    <ChoiceField
      above
      label="which says"
      bind:value={says}
      options={[
        { value: 'SHARE', name: 'what share of it there is' },
        { value: 'DAYS_LATER', name: 'how many days later it is paid' },
      ]}
    />
  {/if}
  <Act type="submit">Add the row</Act>
  <Refusal words={refusal} class="w-full" />
</form>
