<script lang="ts">
  import EntryField from '../../lib/fields/EntryField.svelte';
  import { tick } from 'svelte';
  import { answer, api, type TreeLine } from '../../lib/api';
  import { getPlan, type Line } from '../../lib/plan.svelte';
  import Spark from './Spark.svelte';
  import { branches, goal, standsIn } from './tree';

  interface Props {
    lines: TreeLine[];
    chosen?: string;
    onchoose: (id: string) => void;
    onadd: () => void;
  }

  let { lines, chosen, onchoose, onadd }: Props = $props();
  const plan = getPlan();
  const shown = $derived(branches(lines));
  let renaming = $state<string>();
  let name = $state('');
  let over = $state<string>();
  let tree = $state<HTMLUListElement>();

  /** A year's figure in words; what flows against the side it stands on comes back, such as tax refunded. */
  function inWords(line: TreeLine): string {
    const back = line.direction === 'payment' ? line.nextYear > 0 : line.nextYear < 0;
    return `${plan.money.short(Math.abs(line.nextYear))}${back ? ' back' : ''} in 12 months`;
  }

  async function go(at: number) {
    const next = shown[Math.max(0, Math.min(shown.length - 1, at))];
    if (!next) return;
    onchoose(next.line.id);
    await tick();
    tree?.querySelector<HTMLElement>('[aria-selected="true"]')?.focus();
  }

  async function change(line: TreeLine, part: Partial<Line>, words: string) {
    const got = await answer(
      api.GET('/api/plans/{plan}/lines/{id}', { params: { path: { plan: plan.id, id: line.id } } }),
    );
    if (got.ok) await plan.putLine({ ...got.data.line, ...part }, words);
  }

  async function rename(line: TreeLine) {
    renaming = undefined;
    const to = name.trim();
    if (to && to !== line.name) await change(line, { name: to }, `'${line.name}' renamed to '${to}'`);
    await tick();
    tree?.querySelector<HTMLElement>('[aria-selected="true"]')?.focus();
  }

  function startRename(line: TreeLine) {
    name = line.name;
    renaming = line.id;
  }

  function onkeydown(e: KeyboardEvent, at: number) {
    const line = shown[at]!.line;
    if (renaming || e.ctrlKey || e.metaKey) return;
    if (e.altKey && e.key.startsWith('Arrow')) {
      const to = goal(lines, line, e.key);
      if (to)
        void plan.moveLine(line.id, to.group, to.before).then(() => go(shown.findIndex((b) => b.line.id === line.id)));
    } else if (e.key === 'ArrowDown') void go(at + 1);
    else if (e.key === 'ArrowUp') void go(at - 1);
    else if (e.key === 'Home') void go(0);
    else if (e.key === 'End') void go(shown.length - 1);
    else if (e.key === 'F2') startRename(line);
    else if (e.key === 'Delete') void plan.deleteLine(line.id);
    else if (e.key.toLowerCase() === 'n') onadd();
    else if (e.key.toLowerCase() === 'x') {
      void change(line, { active: !line.active }, `'${line.name}' switched ${line.active ? 'off' : 'on'}`);
    } else return;
    e.preventDefault();
  }

  /** Dropped on a group it goes into it, dropped on another line it goes before that one. */
  function drop(e: DragEvent, target: TreeLine) {
    e.preventDefault();
    over = undefined;
    const moved = lines.find((line) => line.id === e.dataTransfer?.getData('text/line'));
    if (!moved || moved.id === target.id || standsIn(lines, target, moved.id)) return;
    if (target.kind === 'group') void plan.moveLine(moved.id, target.id, null);
    else void plan.moveLine(moved.id, target.group, target.id);
  }
</script>

<ul role="tree" aria-label="Lines" class="border-t border-rule" bind:this={tree}>
  {#each shown as { line, depth }, at (line.id)}
    <li
      role="treeitem"
      aria-selected={line.id === chosen}
      aria-level={depth + 1}
      tabindex={line.id === chosen ? 0 : -1}
      draggable={renaming !== line.id}
      class="flex cursor-pointer items-center gap-2 border-b border-rule py-[5px] pr-2 {line.id === chosen
        ? 'border-l-[3px] border-l-tide bg-sheet'
        : ''} {over === line.id ? 'bg-foam' : ''} {line.active ? '' : 'opacity-60'}"
      style="padding-left:{10 + depth * 14}px"
      onclick={() => onchoose(line.id)}
      ondblclick={() => startRename(line)}
      onkeydown={(e) => onkeydown(e, at)}
      ondragstart={(e) => e.dataTransfer?.setData('text/line', line.id)}
      ondragover={(e) => {
        e.preventDefault();
        over = line.id;
      }}
      ondragleave={() => (over = undefined)}
      ondrop={(e) => drop(e, line)}
    >
      <span class="min-w-0 flex-1">
        {#if renaming === line.id}
          <!-- F2 opened it to type here. -->
          <EntryField
            wide
            name="Name of the line"
            maxlength={120}
            bind:value={name}
            autofocus
            onblur={() => void rename(line)}
            onkeydown={(e) => {
              e.stopPropagation();
              if (e.key === 'Enter') void rename(line);
              if (e.key === 'Escape') renaming = undefined;
            }}
          />
        {:else}
          <span
            class="block truncate {line.kind === 'group' || line.id === chosen ? 'font-semibold' : ''}"
            title={line.name}>{line.name}</span
          >
          <span class="hush block text-[12px]">
            {line.active ? inWords(line) : 'switched off'}
          </span>
        {/if}
      </span>
      {#if line.kind !== 'group'}<Spark
          values={line.nextMonths}
          payment={line.direction === 'payment'}
          strong={line.id === chosen}
        />{/if}
    </li>
  {/each}
</ul>
