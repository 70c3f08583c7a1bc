<script lang="ts" generics="T extends { convention: Schemas['convention']; certainty?: Schemas['certainty'] }">
  import type { Schemas } from '../../../lib/api';
  import Refusal from '../../../lib/Refusal.svelte';
  import { Said } from '../../../lib/said.svelte';
  import ConventionChoice from './ConventionChoice.svelte';
  import type { Save } from '../save';

  interface Props {
    assumption: T;
    save: Save<T>;
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
  <ConventionChoice value={assumption.convention} onchoose={(convention) => put('convention', convention)} />
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
<Refusal words={said.words} class="mt-1" />
