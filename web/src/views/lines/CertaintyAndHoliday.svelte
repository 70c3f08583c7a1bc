<script lang="ts">
  import { Said } from '../../lib/said.svelte';
  import ConventionChoice from './ConventionChoice.svelte';
  import type { Json, Save } from './save';

  interface Props {
    assumption: Json;
    save: Save;
    /** Whether certainty is chosen here for all dates of the line. */
    certainty?: boolean;
  }

  let { assumption, save, certainty = false }: Props = $props();
  const said = new Said();

  function put(field: string, value: string) {
    void said.of(save((now) => ({ ...now, [field]: value }), `${field} ${value}`));
  }
</script>

<div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
  <ConventionChoice value={String(assumption.convention)} onchoose={(convention) => put('convention', convention)} />
  {#if certainty}
    <label>
      <span class="hush">It is</span>
      <select
        class="small-field"
        value={assumption.certainty}
        onchange={(e) => put('certainty', e.currentTarget.value)}
      >
        <option value="certain">certain</option><option value="likely">likely</option><option value="possible"
          >possible</option
        >
      </select>
    </label>
  {/if}
</div>
{#if said.words}<p class="bad mt-1" role="alert">{said.words}</p>{/if}
