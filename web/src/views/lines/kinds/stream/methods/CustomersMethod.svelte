<script lang="ts">
  import ChoiceField from '../../../../../lib/fields/ChoiceField.svelte';
  import TypedField from '../../../../../lib/fields/TypedField.svelte';
  import { noMonth, readMonth, type Day } from '../../../../../lib/dates';
  import { grouped, noAmount, readAmount } from '../../../../../lib/money';
  import type { Driver, MethodOf, Save } from '../../../save';
  import DriverEditor from './DriverEditor.svelte';

  interface Props {
    method: MethodOf<'customers'>;
    first: Day;
    put: Save<MethodOf<'customers'>>;
  }

  let { method, first, put }: Props = $props();

  function setFrom(typed: string) {
    const from = readMonth(typed);
    return from ? put((now) => ({ ...now, from }), `customers counted from ${from}`) : noMonth(typed);
  }

  function setOpening(typed: string) {
    const opening = readAmount(typed);
    return opening === null ? noAmount(typed) : put((now) => ({ ...now, opening }), `${typed} customers at the start`);
  }

  function putDriver(field: 'gained' | 'lost' | 'fee') {
    return (change: (now: Driver) => Driver, words: string) =>
      put((now) => ({ ...now, [field]: change(now[field]) }), words);
  }

  function choose(field: 'lostAs' | 'feeOn', value: string) {
    return put(
      (now) => ({ ...now, [field]: value }),
      `${field === 'lostAs' ? 'customers lost as' : 'fee on'} ${value}`,
    );
  }
</script>

<div class="flex basis-full flex-col gap-1">
  <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
    <TypedField
      label="customers at the start"
      class="w-[110px] text-right"
      value={grouped(method.opening)}
      onput={setOpening}
    />
    <TypedField
      label="of"
      name="Month from which customers are counted"
      class="w-[86px]"
      value={method.from}
      onput={setFrom}
    />
  </div>
  <DriverEditor label="gained each month" driver={method.gained} {first} put={putDriver('gained')} />
  <div class="flex flex-wrap items-baseline gap-x-4">
    <DriverEditor label="lost each month" driver={method.lost} {first} put={putDriver('lost')} />
    <ChoiceField
      name="What is lost is"
      value={method.lostAs}
      onput={(chosen) => choose('lostAs', chosen)}
      options={[
        { value: 'number', name: 'customers' },
        { value: 'percent', name: '% of those at the start' },
      ]}
    />
  </div>
  <div class="flex flex-wrap items-baseline gap-x-4">
    <DriverEditor label="fee of each" driver={method.fee} {first} put={putDriver('fee')} />
    <ChoiceField
      name="The fee is paid by"
      value={method.feeOn}
      onput={(chosen) => choose('feeOn', chosen)}
      options={[
        { value: 'closing', name: 'customers at the end of the month' },
        { value: 'mean', name: 'the mean of start and end' },
      ]}
    />
  </div>
</div>
