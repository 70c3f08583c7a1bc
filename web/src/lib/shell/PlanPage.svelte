<script lang="ts">
  import PlanFrame from './PlanFrame.svelte';

  interface Props {
    params?: Record<string, string>;
  }

  let { params }: Props = $props();
</script>

{#key params?.plan}
  <PlanFrame id={params?.plan ?? ''} view={params?.view ?? 'forecast'} part={params?.part} />
{/key}
