<script lang="ts">
  /** The corner of a figure that differs from the base, which is not told apart by colour alone. */
</script>

<span class="notch" role="img" aria-label="differs from the base"></span>
