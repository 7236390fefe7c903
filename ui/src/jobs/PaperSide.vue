<script setup lang="ts">
/** Which side is printed, and which way it goes in: the maker’s own print marks the back. */
defineProps<{ bed: boolean; name: string; transfer: boolean }>()
</script>

<template>
  <figure class="sides">
    <template v-if="!bed">
      <svg viewBox="0 0 150 110" role="img" aria-label="Rear tray: the side to print faces you">
        <path class="machine" d="M20 70h110v28H20z" />
        <path class="sheet" d="M42 70 52 12h62l-10 58z" />
        <path class="arrow" d="M78 26v30m-7-8 7 8 7-8" />
        <text x="75" y="108">rear: white side to you</text>
      </svg>
      <svg viewBox="0 0 150 110" role="img" aria-label="Front cassette: the side to print faces down">
        <path class="machine" d="M20 22h110v34H20z" />
        <path class="sheet" d="M34 62h82l14 30H20z" />
        <path class="back" d="M50 74h50M46 84h58" />
        <path class="arrow" d="M75 98V66m-7 8 7-8 7 8" />
        <text x="75" y="108">front: white side down</text>
      </svg>
    </template>
    <svg v-else viewBox="0 0 150 110" role="img" aria-label="Flat bed: the coated side up, edge clamped flat">
      <path class="machine" d="M12 78h126v16H12z" />
      <path class="sheet" d="M20 70h110v8H20z" />
      <path class="clamp" d="M16 62h12v16M122 62h12v16" />
      <path class="arrow" d="M50 50h50m-8-7 8 7-8 7" />
      <text x="75" y="108">coated side up, clamped flat</text>
    </svg>
    <figcaption class="small quiet">
      {{
        bed
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
  gap: 6px 14px;
  margin: 0;
}
svg {
  width: 150px;
  height: 110px;
}
figcaption {
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
text {
  font-size: 11px;
  text-anchor: middle;
  fill: var(--text);
}
</style>
