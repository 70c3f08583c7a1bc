<script lang="ts">
  import { link } from 'svelte-spa-router';
  import { who } from '../../lib/who.svelte';
</script>

{#if who.said?.id}
  <nav class="flex gap-4 text-[#dcebea]" aria-label="You and others">
    {#if who.said.steward}<a class="hover:text-white" href="/people" use:link>People</a>{/if}
    <a class="hover:text-white" href="/own" use:link>{who.said.name}</a>
    <button class="hover:text-white" onclick={() => void who.signOut()}>Sign out</button>
  </nav>
{/if}
