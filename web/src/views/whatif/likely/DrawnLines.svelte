<script lang="ts">
  import type { Schemas } from '../../../lib/api';
  import { getPlan } from '../../../lib/plan.svelte';
  import Refusal from '../../../lib/Refusal.svelte';
  import Fields from '../../lines/parts/Fields.svelte';
  import { changed, type Part } from '../../lines/parts/fields';
  import { DOUBTS, how, USUAL, type Simulation } from './likely';

  interface Props {
    told: Simulation;
  }

  let { told }: Props = $props();
  const plan = getPlan();
  const chances = $derived(plan.settings.chances ?? USUAL);
  let refusal = $state('');

  async function putChances(change: (now: Schemas['chances']) => Schemas['chances']): Promise<string> {
    const refused = await plan.putSettings((now) => ({ ...now, chances: change(now.chances ?? USUAL) }));
    return refused?.detail ?? '';
  }

  const put = (part: Part) => putChances((now) => changed(now, part));

  /** What is usual of a line's kind needs no word; against it, it is named among the firm or the drawn. */
  async function setFirm(line: Schemas['SourceView'], firm: boolean) {
    const without = (ids: string[] | undefined) => (ids ?? []).filter((id) => id !== line.lineId);
    refusal = await putChances((now) => {
      const said = (firm ? now.drawn : now.firm)?.includes(line.lineId);
      const next = { ...now, firm: without(now.firm), drawn: without(now.drawn) };
      return said
        ? next
        : firm
          ? { ...next, firm: [...next.firm, line.lineId] }
          : { ...next, drawn: [...next.drawn, line.lineId] };
    });
  }
</script>

<details class="card mt-3">
  <summary class="cursor-pointer font-semibold">
    What is drawn, and by what
    <span class="hush font-normal"
      >{told.lines.filter((one) => one.how === 'RECORD').length} lines err as they did before, {told.lines.filter(
        (one) => one.how === 'DOUBT',
      ).length} by doubt, {told.lines.filter((one) => one.how === 'FIRM').length} are firm</span
    >
  </summary>
  <div class="my-2"><Fields specs={DOUBTS} of={chances} {put} /></div>
  <Refusal words={refusal} />
  <table class="figures">
    <thead
      ><tr><th class="words w-[60px]">Firm</th><th class="words">Line</th><th class="words">Its estimates</th></tr
      ></thead
    >
    <tbody>
      {#each told.lines as one (one.lineId)}
        <tr>
          <td class="words"
            ><input
              type="checkbox"
              aria-label="{one.name} is firm"
              checked={one.how === 'FIRM'}
              onchange={(e) => void setFirm(one, e.currentTarget.checked)}
            /></td
          >
          <th class="words">{one.name}</th>
          <td class="words">{how(one, told.fewest)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</details>
