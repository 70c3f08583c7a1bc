<script lang="ts">
  import { getPlan } from '../../../../lib/plan.svelte';
  import type { LineView } from '../../../../lib/api';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import type { Save, Stream } from '../../save';

  interface Props {
    assumption: Stream;
    ledger: NonNullable<LineView['ledger']>;
    save: Save<Stream>;
  }

  let { assumption, ledger, save }: Props = $props();
  const plan = getPlan();
  const inForce = $derived(assumption.ledger ?? {});
  const SPECS = $derived<FieldSpec[]>([
    { kind: 'amount', field: 'amount', label: 'the ledger says', optional: true, placeholder: 'not said' },
    ...(assumption.ledger ? [{ kind: 'flag', field: 'trueUp', label: 'scale what is owed to it' } as const] : []),
  ]);

  function put(part: Part, words: string): Promise<string> {
    return save((now) => {
      const begun = { amount: '', trueUp: false, ...now.ledger };
      return changed(now, { ledger: part.amount === null ? null : changed(begun, part) });
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
