<script lang="ts">
  import { Progressbar } from 'flowbite-svelte';
  import Act from '../../lib/Act.svelte';
  import type { BringingIn } from './bringing.svelte';

  interface Props {
    work: BringingIn;
  }

  let { work }: Props = $props();
  const job = $derived(work.job!);
  const running = $derived(job.state === 'READING' || job.state === 'KEEPING');
  const percent = $derived(job.bytes ? Math.round((100 * job.bytesRead) / job.bytes) : 0);
</script>

{#if running}
  <div class="flex items-center gap-3">
    <div class="flex-1"><Progressbar progress={percent} size="h-2" /></div>
    <span class="hush"
      >{job.sentence || `${job.state === 'KEEPING' ? 'keeping' : 'reading'}, ${percent}%, ${job.rows} rows`}</span
    >
    <Act disabled={job.sentence !== ''} onclick={() => void work.stop()}>Stop</Act>
  </div>
{:else}
  <p role="status" class={job.state === 'DONE' ? '' : 'bad'}>{job.sentence}</p>
  {#if job.problems.length}
    <table class="figures mt-2" aria-label="Rows that could not be taken as they stand">
      <thead>
        <tr
          ><th scope="col">Line</th><th class="words" scope="col">What is wrong</th><th class="words" scope="col"
            >The row</th
          ></tr
        >
      </thead>
      <tbody>
        {#each job.problems.slice(0, 20) as problem, i (i)}
          <tr>
            <td>{problem.line || ''}</td><td class="words">{problem.reason}</td>
            <td class="words hush max-w-[480px] overflow-hidden text-ellipsis">{problem.text}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if job.badRows > 20}<p class="hush mt-1">and {job.badRows - 20} more</p>{/if}
  {/if}
  <div class="mt-2 flex gap-2">
    {#if job.state === 'BAD_ROWS'}
      <Act main onclick={() => void work.take(true)}>
        {job.rows > 0 ? `Bring in the ${job.rows} rows that can be read` : 'Bring in what can be read'}
      </Act>
    {/if}
    {#if job.state !== 'DONE'}<Act onclick={() => work.back()}>Back to the preview</Act>{/if}
    <Act onclick={() => work.next()}>{job.state === 'DONE' ? 'Go on' : 'Bring in nothing of this file'}</Act>
  </div>
{/if}
