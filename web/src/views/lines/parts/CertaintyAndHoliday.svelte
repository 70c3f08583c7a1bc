<script lang="ts" generics="T extends { convention: Schemas['convention']; certainty?: Schemas['certainty'] }">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import type { Schemas } from '../../../lib/api';
  import ConventionChoice from './ConventionChoice.svelte';
  import type { Save } from '../save';

  interface Props {
    assumption: T;
    save: Save<T>;
    /** Whether certainty is chosen here for all dates of the line. */
    certainty?: boolean;
  }

  let { assumption, save, certainty = false }: Props = $props();

  function put(field: string, value: string) {
    return save((now) => ({ ...now, [field]: value }), `${field} ${value}`);
  }
</script>

<div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
  <ConventionChoice value={assumption.convention} onput={(convention) => put('convention', convention)} />
  {#if certainty}
    <ChoiceField
      label="It is"
      value={assumption.certainty}
      onput={(chosen) => put('certainty', chosen)}
      options={[
        { value: 'certain', name: 'certain' },
        { value: 'likely', name: 'likely' },
        { value: 'possible', name: 'possible' },
      ]}
    />
  {/if}
</div>
