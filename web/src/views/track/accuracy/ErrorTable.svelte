<script lang="ts">
  import type { Schemas } from '../../../lib/api';
  import { errorWords, signedPercent } from '../track';

  interface Props {
    rows: Schemas['ErrorRow'][];
    leads: number;
    unit: string;
    chosen: string;
    onchoose: (id: string) => void;
  }

  let { rows, leads, unit, chosen, onchoose }: Props = $props();
  /** The leads that are shown as columns: each of the first four, then every third. */
  const columns = $derived([1, 2, 3, 4, 7, 10, 13].filter((lead) => lead <= leads));
  const shown = $derived(rows.filter((row) => row.errors.some((error) => error !== null)));
</script>

<div class="mt-3 overflow-auto" style="max-height:calc(100vh - 486px)">
  <table class="figures" aria-label="Errors by {unit}s ahead">
    <thead class="sticky top-0 z-[2] bg-sheet">
      <tr>
        <th class="words" scope="col">Off by, of what happened</th>
        {#each columns as lead (lead)}<th scope="col">{lead}<small>{unit}{lead === 1 ? '' : 's'} ahead</small></th
          >{/each}
        <th scope="col">Bias<small>first {unit}</small></th><th scope="col">Due dates<small>first {unit}</small></th>
        <th scope="col">Year before<small>first {unit}</small></th>
      </tr>
    </thead>
    <tbody>
      {#each shown as row (row.id)}
        <tr class="{row.group ? 'font-[650]' : ''} {row.id === chosen ? 'bg-foam' : ''}">
          <th scope="row" class="words" style="padding-left:{7 + row.depth * 14}px">
            <button
              class="underline-offset-2 hover:underline"
              aria-pressed={row.id === chosen}
              onclick={() => onchoose(row.id)}>{row.name}</button
            >
          </th>
          {#each columns as lead (lead)}<td>{errorWords(row.errors[lead - 1] ?? null)}</td>{/each}
          <td class="hush" title="How much too much was forecast">{row.bias === null ? '' : signedPercent(row.bias)}</td
          >
          <td class="hush">{errorWords(row.dueDates)}</td>
          <td class="hush">{row.lastYear === null ? '' : errorWords(row.lastYear)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
