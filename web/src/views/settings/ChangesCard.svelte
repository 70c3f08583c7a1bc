<script lang="ts">
  import LogTable from '../../lib/LogTable.svelte';
  import { getPlan } from '../../lib/plan.svelte';

  const plan = getPlan();
</script>

<section class="card" aria-label="Changes">
  <b class="font-semibold">Changes</b>
  <LogTable plan={plan.id} version={plan.version} empty="No edit yet. Each one will stand here, and can be undone." />
</section>
