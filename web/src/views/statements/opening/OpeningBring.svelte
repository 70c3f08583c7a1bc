<script lang="ts">
  import { answer, api, fileForm } from '../../../lib/api';
  import BringRows from '../../../lib/BringRows.svelte';
  import { getPlan } from '../../../lib/plan.svelte';
  import type { Sheet } from './opening';

  /** Takes a sheet that was read whole in the place of the one there is; gives the refusal, or nothing. */
  let { onread }: { onread: (sheet: Sheet) => Promise<string> } = $props();
  const plan = getPlan();

  const read = (file: Blob) =>
    answer(
      api.POST('/api/plans/{plan}/statements/opening/read', {
        params: { path: { plan: plan.id } },
        ...fileForm(file, 'opening.csv'),
      }),
    );
</script>

<BringRows
  of="the opening balance sheet"
  hint="A name and an amount in each row, or debit and credit; what it is before them, the line that clears it after."
  {read}
  count={(got) => got.sheet.entries.length}
  ontake={(got) => onread(got.sheet)}
/>
