<script lang="ts">
  import { getPlan } from '../../lib/plan.svelte';
  import type { LineView } from '../../lib/api';
  import Fields from './fields/Fields.svelte';
  import { changed, type FieldSpec } from './fields/fields';
  import type { Json, Save } from './save';

  interface Props {
    assumption: Json;
    ledger: NonNullable<LineView['ledger']>;
    save: Save;
  }

  let { assumption, ledger, save }: Props = $props();
  const plan = getPlan();
  const inForce = $derived((assumption.ledger ?? {}) as Json);
  const SPECS = $derived<FieldSpec[]>([
    { kind: 'amount', field: 'amount', label: 'the ledger says', optional: true, placeholder: 'not said' },
    ...(assumption.ledger ? [{ kind: 'flag', field: 'trueUp', label: 'scale what is owed to it' } as const] : []),
  ]);

  function put(part: Json, words: string): Promise<string> {
    return save((now) => {
      const next = changed((now.ledger ?? {}) as Json, part);
      return changed(now, { ledger: next.amount === undefined ? null : next });
    }, words);
  }
</script>

<div class="mt-2 flex flex-wrap items-baseline gap-x-4 border-t border-rule pt-2">
  <span
    ><span class="hush">Owed on the as-of date, by history and these terms</span>
    <b class="font-semibold">{plan.money.full(ledger.implied)}</b></span
  >
  <Fields specs={SPECS} of={inForce} {put} />
</div>
