<script lang="ts" generics="T extends { tax: Schemas['tax'] }">
  import type { Schemas } from '../../../lib/api';
  import { getPlan } from '../../../lib/plan.svelte';
  import Fields from './Fields.svelte';
  import { changed, type FieldSpec, type Part } from './fields';
  import type { Save } from '../save';

  interface Props {
    assumption: T;
    save: Save<T>;
    /** Whether the tax is paid, so that some of it may not be claimed back. */
    paid?: boolean;
  }

  let { assumption, save, paid = true }: Props = $props();
  const plan = getPlan();
  const tax = $derived(assumption.tax);
  const specs = $derived<FieldSpec[]>([
    { kind: 'percent', field: 'rate', label: 'Sales tax %' },
    ...(Number(tax.rate) > 0
      ? [
          { kind: 'flag', field: 'gross', label: 'amounts have the tax in them' } as const,
          ...(paid ? [{ kind: 'percent', field: 'recoverable', label: 'claimed back %' } as const] : []),
        ]
      : []),
  ]);
  const settled = $derived(plan.view!.lines.some((line) => line.kind === 'sales-tax'));

  function put(part: Part, words: string): Promise<string> {
    return save((now) => ({ ...now, tax: changed(now.tax, part) }), words);
  }
</script>

<Fields {specs} of={tax} {put} />
{#if Number(tax.rate) > 0 && !settled}
  <p class="hush">No line settles sales tax yet: add one of the kind "Sales tax" under Payments.</p>
{/if}
