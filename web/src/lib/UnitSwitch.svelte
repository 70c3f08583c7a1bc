<script lang="ts">
  import { getPlan } from './plan.svelte';
  import Segments from './Segments.svelte';

  const plan = getPlan();
  const options = $derived([
    { value: 'thousand', name: `${plan.money.symbol}k` },
    { value: 'full', name: plan.money.symbol },
  ] as const);
</script>

<Segments label="Unit" {options} value={plan.unit} onchoose={(unit) => plan.setUnit(unit)} />
