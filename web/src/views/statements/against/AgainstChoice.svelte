<script lang="ts">
  import { answer, api } from '../../../lib/api';
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import { Loaded } from '../../../lib/loaded.svelte';
  import { getPlan } from '../../../lib/plan.svelte';

  interface Props {
    /** The snapshot that is held against, empty for none. */
    value: string;
    onchoose: (snapshot: string) => void;
  }

  let { value, onchoose }: Props = $props();
  const plan = getPlan();
  const loaded = new Loaded((signal) => {
    void plan.version;
    return answer(api.GET('/api/plans/{plan}/snapshots', { params: { path: { plan: plan.id } }, signal }));
  });
  const options = $derived([
    { value: '', name: 'nothing' },
    ...(loaded.data ?? []).map((one) => ({ value: one.id, name: one.name })),
  ]);
</script>

{#if options.length > 1}
  <ChoiceField label="held against" {value} {options} {onchoose} class="max-w-[190px]" />
{/if}
