<script lang="ts">
  import { getPlan } from '../../../../lib/plan.svelte';
  import Fields from '../../parts/Fields.svelte';
  import { changed } from '../../parts/fields';
  import type { EditorProps } from '../kind';
  import { CHARGING } from '../../parts/charging';

  let { assumption, save }: EditorProps<'interest'> = $props();
  const plan = getPlan();
  const of = $derived(plan.view!.lines.find((line) => line.id === assumption.line)?.name);
</script>

<div class="card mb-2.5 space-y-2">
  {#if of}
    <p>
      {assumption.of === 'deposit' ? 'What is earned on' : 'Interest and fees of'} '{of}', by its own rates and terms:
      they are changed there.
    </p>
  {:else}
    <p>
      {assumption.of === 'cash'
        ? 'What cash held earns, at the rate under Setup.'
        : 'What the overdraft costs, at its rate under Setup.'}
    </p>
    <Fields
      specs={CHARGING}
      of={assumption.charging}
      put={(part, words) => save((now) => ({ ...now, charging: changed(now.charging, part) }), words)}
    />
  {/if}
</div>
