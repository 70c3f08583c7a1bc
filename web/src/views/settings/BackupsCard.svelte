<script lang="ts">
  import { answer, api } from '../../lib/api';
  import { longDay } from '../../lib/dates';
  import { Loaded } from '../../lib/loaded.svelte';

  const loaded = new Loaded((signal) => answer(api.GET('/api/backups', { signal })));
  const standing = $derived(loaded.data);
</script>

{#if standing}
  <section class="card" aria-label="Backups">
    <b class="font-semibold">Backups</b>
    {#if standing.folder}
      <p class="mt-1">
        {#if standing.fault}
          <span class="bad">Today's backup of all data was not made: {standing.fault}.</span>
        {/if}
        {standing.latest
          ? `The latest is of ${longDay(standing.latest)}, read through and whole; ${standing.kept} kept in`
          : 'The first is made within a minute of the start, in'}
        <span class="break-all">{standing.folder}</span>.
      </p>
      <p class="hush mt-1">
        One of each of the last 7 days, 5 weeks and 12 months is kept. <code>./ebbtide backup FILE</code> makes one at
        any time, <code>./ebbtide restore FILE</code> brings one back.
      </p>
    {:else}
      <p class="mt-1">None is made of the demo: it goes when it ends. Your own data is copied each day.</p>
    {/if}
  </section>
{/if}
