<script setup lang="ts">
import type { Schemas } from '../api/client'

/** Which side is printed, and which way it goes into this machine: the maker’s own print marks the back. */
defineProps<{ ways: Schemas['WayInJson'][]; coated: boolean; transfer: boolean }>()
</script>

<template>
  <figure class="sides">
    <figure v-for="way in ways" :key="way.id">
      <svg viewBox="0 0 150 92" role="img" :aria-label="`${way.label}: ${way.side}`">
        <template v-if="way.id === 'REAR'">
          <path class="machine" d="M20 62h110v28H20z" />
          <path class="sheet" d="M42 62 52 4h62l-10 58z" />
          <path class="arrow" d="M78 18v30m-7-8 7 8 7-8" />
        </template>
        <template v-else-if="way.id === 'FRONT'">
          <path class="machine" d="M20 6h110v34H20z" />
          <path class="sheet" d="M34 46h82l14 34H20z" />
          <path class="back" d="M50 58h50M46 69h58" />
          <path class="arrow" d="M75 84V50m-7 8 7-8 7 8" />
        </template>
        <template v-else>
          <path class="machine" d="M12 68h126v16H12z" />
          <path class="sheet" d="M20 60h110v8H20z" />
          <path v-if="way.id === 'BED'" class="clamp" d="M16 52h12v16M122 52h12v16" />
          <path class="arrow" d="M50 38h50m-8-7 8 7-8 7" />
        </template>
      </svg>
      <figcaption class="small">
        <b>Its {{ way.label }}:</b> {{ way.side }}.
      </figcaption>
    </figure>
    <figcaption class="small quiet">
      {{
        coated
          ? 'The coated side is the duller one; a damp finger sticks to it a little.'
          : transfer
            ? 'The maker’s own print marks the back. Put one sheet in first.'
            : 'The side that is meant for print is the whiter one.'
      }}
    </figcaption>
  </figure>
</template>

<style scoped>
.sides {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  margin: 0;
}
.sides > figure {
  flex: 0 1 190px;
  margin: 0;
}
svg {
  width: 150px;
  height: 92px;
}
.sides > figcaption {
  flex: 1 1 200px;
  align-self: center;
}
.machine {
  fill: var(--wash);
  stroke: var(--rim);
  stroke-width: 2;
}
.sheet {
  fill: #fdfcf7;
  stroke: var(--rim);
  stroke-width: 2;
}
.back {
  stroke: var(--rim-soft);
  stroke-width: 2;
  stroke-dasharray: 5 3;
}
.clamp,
.arrow {
  fill: none;
  stroke: var(--act);
  stroke-width: 3;
}
</style>
