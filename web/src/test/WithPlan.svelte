<script lang="ts" module>
  import type { Component } from 'svelte';
</script>

<script lang="ts">
  import { setPlan, type PlanState } from '../lib/plan.svelte';

  interface Props {
    /** As much of one as the component asks for. */
    plan: object;
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- whatever component a test stands in a plan
    component: Component<any>;
    of: object;
  }

  let { plan, component: Of, of }: Props = $props();
  // svelte-ignore state_referenced_locally
  setPlan(plan as PlanState);
</script>

<Of {...of} />
