<script setup lang="ts">
/** How a small vessel is held to run empty: at an angle, its outlet down, over the tray. */
</script>

<template>
  <svg class="tilted" viewBox="0 0 220 130" role="img" aria-label="Held at an angle, outlet down, over the tray">
    <g transform="rotate(-28 96 46)">
      <rect x="58" y="18" width="76" height="46" rx="8" class="vessel" />
      <path d="M62 52 h68 v4 a8 8 0 0 1 -8 8 h-52 a8 8 0 0 1 -8 -8 z" class="ink" />
      <path d="M66 64 h16 l-4 12 h-8 z" class="vessel" />
    </g>
    <path d="M86 92 c5 7 5 12 0 13 c-5 -1 -5 -6 0 -13 z" class="ink" />
    <path d="M34 112 h132 l-8 12 h-116 z" class="tray" />
    <path d="M150 30 q22 10 14 34" class="turn" />
    <path d="M158 58 l6 8 l7 -8" class="turn" />
  </svg>
</template>

<style scoped>
.tilted {
  width: 150px;
  max-width: 100%;
  display: block;
}
.vessel {
  fill: var(--ground);
  stroke: var(--rim);
  stroke-width: 2.2;
}
.ink {
  fill: var(--rim);
}
.tray {
  fill: var(--wash);
  stroke: var(--rim);
  stroke-width: 2.2;
}
.turn {
  fill: none;
  stroke: var(--act);
  stroke-width: 2.6;
  stroke-linecap: round;
}
</style>
