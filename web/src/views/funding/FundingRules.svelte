<script lang="ts">
  import type { Schemas } from '../../lib/api';
  import { getPlan } from '../../lib/plan.svelte';
  import Fields from '../lines/parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../lines/parts/fields';

  const plan = getPlan();
  const USUAL: Schemas['fundingRules'] = { sweeps: 'day', buffer: '0', interestBy: 'nights' };
  const rules = $derived(plan.settings.funding ?? USUAL);
  const RULES: FieldSpec[] = [
    {
      kind: 'choice',
      field: 'sweeps',
      label: 'drawn and repaid',
      options: [
        { value: 'day', name: 'each business day' },
        { value: 'week', name: 'at the end of the week' },
        { value: 'month', name: 'at the end of the month' },
      ],
    },
    { kind: 'amount', field: 'buffer', label: 'repaid above the minimum and' },
    {
      kind: 'choice',
      field: 'interestBy',
      label: 'interest by',
      options: [
        { value: 'nights', name: 'the nights it is owed' },
        { value: 'average-balance', name: 'the mean of the month' },
      ],
    },
    {
      kind: 'number',
      field: 'minimumDays',
      label: 'minimum cash: payments of',
      after: 'days',
      optional: true,
      placeholder: 'amount',
    },
    {
      kind: 'whole',
      field: 'callableWithin',
      label: 'deposits are liquidity within',
      after: 'business days',
      optional: true,
      placeholder: 'never',
    },
  ];

  async function put(part: Part): Promise<string> {
    const refused = await plan.putSettings((now) => ({
      ...now,
      funding: changed(now.funding ?? USUAL, part),
    }));
    return refused?.detail ?? '';
  }
</script>

<div class="border-t border-rule pt-1.5">
  <Fields specs={RULES} of={rules} {put} />
</div>
