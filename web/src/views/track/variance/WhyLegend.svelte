<script lang="ts">
  import { REASONS } from '../track';
</script>

<p class="hush mt-1 flex flex-wrap items-center gap-x-3">
  {#each REASONS as reason (reason.key)}
    <span class="inline-flex items-center gap-1">
      <svg width="11" height="11" aria-hidden="true">
        <rect width="11" height="11" fill={reason.fill} stroke={reason.key === 'open' ? '#12303b' : 'none'} />
      </svg>
      {reason.name}{reason.key === 'open' ? ': carry or drop' : ''}
    </span>
  {/each}
  <span class="flex-1"></span>
  <span><kbd>C</kbd> carry <kbd>D</kbd> drop <kbd>N</kbd> note <kbd>Enter</kbd> workings</span>
</p>
