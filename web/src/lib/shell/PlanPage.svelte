<script lang="ts">
  import { looking } from '../api';
  import { shownScenario } from '../place.svelte';
  import PlanFrame from './PlanFrame.svelte';

  interface Props {
    params?: Record<string, string>;
  }

  let { params }: Props = $props();
  // Said before the views are made anew, which all ask for what is looked at.
  const key = $derived.by(() => {
    looking.scenario = shownScenario();
    return `${params?.plan ?? ''} ${looking.scenario}`;
  });
</script>

{#key key}
  <PlanFrame id={params?.plan ?? ''} view={params?.view ?? 'forecast'} part={params?.part} />
{/key}
