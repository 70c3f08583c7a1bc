<script lang="ts">
  import type { RollForwardView } from '../../lib/api';
  import FigureGrid from '../../lib/grid/FigureGrid.svelte';
  import { monthName } from '../../lib/dates';
  import { rows, type Place } from './rolls';

  interface Props {
    rolls: RollForwardView[];
    onopen: (place: Place) => void;
    onleave: () => void;
  }

  let { rolls, onopen, onleave }: Props = $props();
  const months = $derived(rolls[0]?.months ?? []);
  const shown = $derived(rows(rolls));
  const columns = $derived(months.map((month) => ({ key: month, name: monthName(month), sub: month.slice(0, 4) })));

  function open(key: string, column: number) {
    const row = shown.find((one) => one.key === key)!;
    onopen({
      kind: row.roll.kind,
      line: row.roll.lineId,
      name: `${row.roll.name}, ${row.name}`,
      row: row.name,
      month: months[column]!,
    });
  }
</script>

<FigureGrid
  label="Roll-forward by month"
  rows={shown}
  {columns}
  onopen={(row, column) => open(row.key, column)}
  {onleave}
/>
