<script lang="ts">
  import Router from 'svelte-spa-router';
  import PlanPage from './lib/shell/PlanPage.svelte';
  import NewPlan from './views/setup/NewPlan.svelte';
  import Plans from './views/setup/Plans.svelte';

  const routes = {
    '/': Plans,
    '/plans': Plans,
    '/new': NewPlan,
    '/plan/:plan/:view/:part?': PlanPage,
    '*': Plans,
  };
</script>

<Router {routes} />
