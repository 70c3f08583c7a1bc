<script lang="ts">
  import ChoiceField from '../../lib/fields/ChoiceField.svelte';
  import { untrack } from 'svelte';
  import Act from '../../lib/Act.svelte';
  import { fullDay } from '../../lib/dates';
  import { getPlan } from '../../lib/plan.svelte';
  import Refusal from '../../lib/Refusal.svelte';
  import DeclaredForm from './DeclaredForm.svelte';
  import DialectForm from './DialectForm.svelte';
  import JobProgress from './JobProgress.svelte';
  import { BringingIn } from './bringing.svelte';

  interface Props {
    files: File[];
    /** Takes files that leave nothing to ask at once. */
    atOnce?: boolean;
    /** What to do with the day that the statements reach, if not just to move the as-of date to it. */
    onreach?: (day: string) => void;
    onclose: () => void;
  }

  let { files, atOnce = false, onreach, onclose }: Props = $props();
  const plan = getPlan();
  const work = new BringingIn(
    plan,
    untrack(() => files),
    untrack(() => atOnce),
  );
  const file = $derived(work.file);

  function move() {
    if (!onreach) void work.moveAsOf();
    else {
      onreach(work.reach!);
      onclose();
    }
  }
</script>

<section class="card mb-3" aria-label="Bring in statements">
  <div class="mb-2 flex items-center gap-3">
    <b class="font-semibold">{work.current?.name ?? 'All files are in'}</b>
    <span class="hush flex-1">{work.current && work.total > 1 ? `file ${work.number} of ${work.total}` : ''}</span>
    <Act onclick={onclose}>Close</Act>
  </div>
  {#if plan.view!.accounts.length === 0}
    <p>
      A statement belongs to an account: <a class="underline" href="#/plan/{plan.id}/setup">add the account</a> first.
    </p>
  {:else if work.current}
    {#if !work.job && file && !file.format}
      <div class="mb-2">
        <ChoiceField
          label="It is the statement of"
          value={work.account}
          onchoose={(chosen) => void work.chooseAccount(chosen)}
          options={[
            { value: '', name: 'choose the account' },
            ...plan.view!.accounts.map((account) => ({ value: account.id, name: account.name })),
          ]}
        />
      </div>
    {/if}
    <Refusal words={work.refusal} class="mb-2" />
    {#if work.job}
      <JobProgress {work} />
    {:else if file?.format}
      <DeclaredForm {work} {file} />
    {:else if file && work.account}
      <DialectForm {file} onchange={(dialect) => void work.preview(dialect)} />
      {#if file.dialect}
        <div class="mt-2 flex gap-2">
          <Act main onclick={() => void work.take(false)}>Bring it in</Act>
          <Act onclick={() => work.next()}>Skip this file</Act>
        </div>
      {/if}
    {/if}
  {:else}
    <p>{work.said || 'Nothing is left to bring in.'}</p>
    {#if work.reach && work.reach > plan.view!.tide.asOf}
      <div class="mt-2 flex items-center gap-3">
        <span>The statements now reach {fullDay(work.reach)}, the as-of date is {fullDay(plan.view!.tide.asOf)}.</span>
        <Act main onclick={move}>Move the as-of date to {fullDay(work.reach)}</Act>
      </div>
    {/if}
  {/if}
</section>
