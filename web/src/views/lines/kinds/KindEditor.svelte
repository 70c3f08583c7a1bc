<script lang="ts" generics="K extends Kind">
  import type { EditorProps, Kind } from './kind';
  import { KINDS } from './kinds';

  interface Props extends EditorProps<K> {
    kind: K;
  }

  let { kind, ...props }: Props = $props();
  const Editor = $derived(KINDS[kind].Editor);
</script>

<Editor {...props as EditorProps<K>} />
