<script lang="ts" generics="K extends Settled">
  import type { LineView } from '../../../lib/api';
  import type { Of, Save } from '../save';
  import { EDITORS, type Settled } from './editors';

  interface Props {
    kind: K;
    assumption: Of<K>;
    save: Save<Of<K>>;
    view: LineView;
  }

  let { kind, assumption, save, view }: Props = $props();
  const Editor = $derived(EDITORS[kind]);
</script>

<Editor {assumption} {save} {view} />
