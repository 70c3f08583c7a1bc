<script lang="ts">
  import type { Schemas } from '../../../lib/api';

  type Convention = Schemas['convention'];

  interface Props {
    value: Convention;
    onchoose: (convention: Convention) => void;
  }

  let { value, onchoose }: Props = $props();
</script>

<label>
  <span class="hush">A date without banking becomes</span>
  <select class="small-field" {value} onchange={(e) => onchoose(e.currentTarget.value as Convention)}>
    <option value="following">the next business day</option>
    <option value="modified-following">the next one within the month</option>
    <option value="preceding">the business day before</option>
    <option value="none">stays as it is</option>
  </select>
</label>
