<script lang="ts">
  interface Props {
    /** Days late of each paid item, the latest first; negative when early. */
    daysLate: number[];
    usual: number;
  }

  let { daysLate, usual }: Props = $props();
  const FROM = -20;
  const TO = 60;
  const WIDTH = 240;

  function x(days: number): number {
    return ((Math.max(FROM, Math.min(TO, days)) - FROM) / (TO - FROM)) * WIDTH;
  }
</script>

<svg width={WIDTH} height="18" role="img" aria-label="Days late of each paid item, usually {usual}">
  <line x1="0" x2={WIDTH} y1="14.5" y2="14.5" stroke="var(--color-rule)" />
  <line x1={x(0)} x2={x(0)} y1="2" y2="17" stroke="var(--color-ink-2)" stroke-dasharray="2 2" />
  {#each daysLate as days, i (i)}
    <circle cx={x(days)} cy="10" r="2.5" fill="var(--color-tide)" opacity="0.45" />
  {/each}
  <line x1={x(usual)} x2={x(usual)} y1="2" y2="17" stroke="var(--color-ochre)" stroke-width="2" />
</svg>
