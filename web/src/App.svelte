<script lang="ts">
  import Router from 'svelte-spa-router';
  import PlanPage from './lib/shell/PlanPage.svelte';
  import { who } from './lib/who.svelte';
  import AllPeople from './views/people/AllPeople.svelte';
  import Come from './views/people/Come.svelte';
  import Look from './views/people/Look.svelte';
  import Own from './views/people/Own.svelte';
  import SignIn from './views/people/SignIn.svelte';
  import SignInPage from './views/people/SignInPage.svelte';
  import NewPlan from './views/setup/NewPlan.svelte';
  import NewYears from './views/setup/NewYears.svelte';
  import Plans from './views/setup/Plans.svelte';

  const open = { '/come/:word': Come, '/look/:word': Look };
  const routes = {
    '/': Plans,
    '/plans': Plans,
    '/new': NewPlan,
    '/new-years': NewYears,
    '/plan/:plan/:view/:part?': PlanPage,
    '/own': Own,
    '/people': AllPeople,
    ...open,
    '*': Plans,
  };

  void who.ask();
</script>

{#if who.isKnown}
  <Router {routes} />
  {#if who.ended}
    <div class="fixed inset-0 z-50 bg-[#0b2a34cc] pt-[12vh]" role="dialog" aria-modal="true" aria-label="Sign in again">
      <div class="mx-auto max-w-[420px]"><SignIn /></div>
    </div>
  {/if}
{:else if who.said}
  <Router routes={{ ...open, '*': SignInPage }} />
{/if}
