<script lang="ts">
  import { monthStart } from '../../../../lib/dates';
  import { getPlan } from '../../../../lib/plan.svelte';
  import type { DatedRow } from '../../parts/dated';
  import DatedRows from '../../parts/DatedRows.svelte';
  import { CONVENTION } from '../../parts/choices';
  import Fields from '../../parts/Fields.svelte';
  import { changed, type FieldSpec, type Part } from '../../parts/fields';
  import StepsEditor from '../../parts/StepsEditor.svelte';
  import type { EditorProps } from '../kind';
  import { LOAN_COUNT } from '../../parts/charging';

  let { assumption, save }: EditorProps<'loan'> = $props();
  const plan = getPlan();
  const typed = $derived(assumption.by === 'typed');
  const rows = $derived<'typed' | 'early'>(typed ? 'typed' : 'early');
  const FROM = $derived<FieldSpec[]>([
    { kind: 'amount', field: 'amount', label: assumption.running ? 'left of it' : 'lent' },
    { kind: 'day', field: 'on', label: assumption.running ? 'at the end of' : 'on' },
    ...(assumption.running ? [{ kind: 'amount', field: 'accrued', label: 'interest accrued by then' } as const] : []),
  ]);
  const REPAID: FieldSpec[] = [
    {
      kind: 'choice',
      field: 'by',
      label: 'repaid',
      options: [
        { value: 'equal-instalments', name: 'in equal instalments' },
        { value: 'equal-principal', name: 'in equal parts of what was lent' },
        { value: 'bullet', name: 'at the end' },
        { value: 'typed', name: 'as agreed' },
      ],
    },
    { kind: 'whole', field: 'payments', label: 'payments' },
    { kind: 'whole', field: 'everyMonths', label: 'every', after: 'months' },
    { kind: 'day', field: 'firstPayDay', label: 'first on' },
    { kind: 'whole', field: 'interestOnly', label: 'interest alone for', after: 'of them' },
  ];
  const TERMS: FieldSpec[] = [
    { kind: 'flag', field: 'running', label: 'it runs already' },
    LOAN_COUNT,
    { kind: 'amount', field: 'fee', label: 'fee when drawn' },
    { kind: 'flag', field: 'keepsEnd', label: 'an early repayment lowers instalments and keeps the end' },
    CONVENTION,
  ];

  function put(part: Part, words: string): Promise<string> {
    const kept = part.dayCount === 'twelfths' ? { ...part, dayCount: null } : part;
    return save((now) => changed(now, kept), words);
  }

  function putRows(change: (now: DatedRow[]) => DatedRow[], words: string): Promise<string> {
    return save((now) => ({ ...now, [rows]: change(now[rows]) }), words);
  }
</script>

<div class="card mb-2.5 space-y-2">
  <Fields
    specs={FROM}
    of={assumption.from}
    put={(part, words) => save((now) => ({ ...now, from: changed(now.from, part) }), words)}
  />
  <StepsEditor
    label="rate, % a year"
    steps={assumption.rate}
    first={monthStart(plan.view!.tide.asOf)}
    onchange={(change) => save((now) => ({ ...now, rate: change(now.rate) }), 'rate set')}
  />
  <Fields specs={REPAID} of={assumption} {put} />
  <Fields specs={TERMS} of={{ dayCount: 'twelfths', ...assumption }} {put} />
  <b class="block font-semibold">{typed ? 'Repayments as agreed' : 'Early repayments'}</b>
  <DatedRows what="repayment" rows={assumption[rows]} make={(row) => row} put={putRows} />
</div>
