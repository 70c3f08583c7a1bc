<script lang="ts">
</script>

<span class="flex items-center gap-2 text-[17px] font-[650] tracking-wide text-white">
  <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
    <path d="M1 8c3.3 0 3.3 3 6.7 3s3.3-3 6.6-3 3.4 3 6.7 3" fill="none" stroke="#a9d6d6" stroke-width="2.4" />
    <path d="M1 14c3.3 0 3.3 3 6.7 3s3.3-3 6.6-3 3.4 3 6.7 3" fill="none" stroke="#2a8397" stroke-width="2.4" />
  </svg>
  Ebbtide
</span>
