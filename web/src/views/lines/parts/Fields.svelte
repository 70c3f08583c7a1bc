<script lang="ts">
  import ChoiceField from '../../../lib/fields/ChoiceField.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import TypedField from '../../../lib/fields/TypedField.svelte';
  import { Said } from '../../../lib/said.svelte';
  import { readField, shown, type ChoiceSpec, type Fielded, type FieldSpec, type Part, type TypedSpec } from './fields';

  interface Props {
    specs: readonly FieldSpec[];
    /** The JSON the fields stand in. */
    of: Fielded;
    /** Changes some of the fields (null takes one out); gives the refusal, or nothing. */
    put: (part: Part, words: string) => Promise<string>;
    /** What the fields are of, for their names: "role Drivers". */
    name?: string;
  }

  let { specs, of, put, name = '' }: Props = $props();
  const said = new Said();
  const WIDTHS: Record<TypedSpec['kind'], string> = {
    amount: 'w-[100px] text-right',
    percent: 'w-[56px] text-right',
    whole: 'w-[46px] text-right',
    months: 'w-[60px] text-right',
    number: 'w-[80px] text-right',
    day: 'w-[104px]',
    month: 'w-[76px]',
    text: 'w-[150px]',
  };

  function named(spec: FieldSpec): string {
    return name ? `${spec.label.replace(/ of$/, '')} of ${name}` : spec.label;
  }

  function setTyped(spec: TypedSpec, typed: string) {
    const reading = readField(spec, typed);
    if ('refusal' in reading) return reading.refusal;
    return put({ [spec.field]: reading.value }, `${named(spec)} ${typed.trim() || 'taken out'}`);
  }

  function choose(spec: ChoiceSpec, text: string) {
    const option = spec.options.find((one) => String(one.value) === text)!;
    return put({ [spec.field]: option.value }, `${named(spec)} ${option.name}`);
  }
</script>

<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1.5">
  {#each specs as spec (spec.field)}
    {#if spec.kind === 'choice'}
      <ChoiceField
        label={spec.hidden ? undefined : spec.label}
        name={named(spec)}
        value={String(of[spec.field])}
        onput={(chosen) => choose(spec, chosen)}
        options={spec.options.map((option) => ({ value: String(option.value), name: option.name }))}
      />
    {:else if spec.kind === 'flag'}
      <label class="flex h-[27px] items-center gap-1.5 self-start">
        <input
          type="checkbox"
          aria-label={named(spec)}
          checked={Boolean(of[spec.field])}
          onchange={(e) =>
            said.of(
              put(
                { [spec.field]: e.currentTarget.checked },
                `${named(spec)} ${e.currentTarget.checked ? 'on' : 'off'}`,
              ),
            )}
        />
        <span class="hush">{spec.label}</span>
      </label>
    {:else}
      <TypedField
        label={spec.label}
        name={named(spec)}
        after={spec.after}
        placeholder={spec.placeholder ?? (spec.optional ? 'none' : undefined)}
        class={WIDTHS[spec.kind]}
        value={shown(spec, of[spec.field])}
        onput={(typed) => setTyped(spec, typed)}
      />
    {/if}
  {/each}
</div>
<Refusal words={said.words} class="mt-1" />
