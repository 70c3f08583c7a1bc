<script lang="ts">
  import { Dropdown, DropdownItem } from 'flowbite-svelte';
  import Act from '../../lib/Act.svelte';
  import type { TimeWindow } from '../../lib/place.svelte';
  import { getPlan } from '../../lib/plan.svelte';

  interface Props {
    time: TimeWindow;
  }

  let { time }: Props = $props();
  const plan = getPlan();
  // A link has no headers to say what is looked at.
  const shown = $derived(plan.view?.shown ? `&scenario=${encodeURIComponent(plan.view.shown.id)}` : '');
  const query = $derived(`by=${time.by}&from=${time.from}&to=${time.to}${shown}`);
  const links = $derived([
    { href: `/api/plans/${plan.id}/forecast.csv?${query}&shape=wide`, name: 'CSV as shown, a column a period' },
    { href: `/api/plans/${plan.id}/forecast.csv?${query}&shape=long`, name: 'CSV in parts, a figure a row' },
    ...(plan.seesPay
      ? [
          { href: `/api/plans/${plan.id}/file`, name: 'The whole plan as JSON' },
          { href: `/api/plans/${plan.id}/file?past=true`, name: 'The same with snapshots and log' },
        ]
      : []),
  ]);
</script>

<Act>Export</Act>
<Dropdown simple class="z-30 w-[240px] rounded-[3px] border border-rule-2 py-1">
  {#each links as one (one.href)}
    <DropdownItem href={one.href} download class="px-3 py-1 text-[13px] font-normal">{one.name}</DropdownItem>
  {/each}
</Dropdown>
