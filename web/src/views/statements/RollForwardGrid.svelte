<script lang="ts">
  import type { RollForwardView } from '../../lib/api';
  import FigureGrid from '../../lib/grid/FigureGrid.svelte';
  import { head } from '../../lib/grid/figures';
  import { rows, type Place } from './rolls';

  interface Props {
    rolls: RollForwardView[];
    onopen: (place: Place) => void;
    onleave: () => void;
  }

  let { rolls, onopen, onleave }: Props = $props();
  const periods = $derived(rolls[0]?.periods ?? []);
  const shown = $derived(rows(rolls));

  function open(key: string, column: number) {
    const row = shown.find((one) => one.key === key)!;
    onopen({
      kind: row.roll.kind,
      line: row.roll.lineId,
      name: `${row.roll.name}, ${row.name}`,
      row: row.name,
      period: periods[column]!,
    });
  }
</script>

<FigureGrid
  label="Roll-forward by month"
  rows={shown}
  columns={periods.map(head)}
  onopen={(row, column) => open(row.key, column)}
  {onleave}
/>
