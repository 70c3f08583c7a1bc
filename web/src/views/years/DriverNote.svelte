<script lang="ts">
  import { answer, api } from '../../lib/api';
  import TypedField from '../../lib/fields/TypedField.svelte';
  import { getPlan } from '../../lib/plan.svelte';
  import type { DriverRow } from './years';

  let { row }: { row: DriverRow } = $props();
  const plan = getPlan();

  async function put(note: string): Promise<string> {
    const refused = await plan.edit((version) =>
      answer(
        api.PUT('/api/plans/{plan}/years/note', {
          params: { path: { plan: plan.id }, query: { version } },
          body: { row: row.id, note: note.trim() },
        }),
      ),
    );
    return refused?.detail ?? '';
  }
</script>

<TypedField
  class="w-[150px]"
  name="Note on {row.name}"
  placeholder="why"
  maxlength={2000}
  value={row.note}
  onput={put}
/>
