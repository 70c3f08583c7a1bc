<script lang="ts">
  import type { EditorProps } from '../kind';

  let { view }: EditorProps<'group'> = $props();
</script>

<p class="card">
  Lines are put into {view.line.name} by dragging them onto it, or with <kbd>Alt</kbd> <kbd>→</kbd> in the tree. Its figures
  under Forecast are the sum of theirs.
</p>
