<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { PLACES } from './places'

/** On a phone and an upright tablet: the places of the bench under the thumb, the rest behind one sign. */
const route = useRoute()
const more = ref(false)
watch(
  () => route.fullPath,
  () => (more.value = false),
)
const here = (to: string) => (to === '/' ? route.path === '/' : route.path === to || route.path.startsWith(`${to}/`))
</script>

<template>
  <nav class="places" aria-label="Places">
    <div v-if="more" id="more-places" class="more">
      <RouterLink
        v-for="place in PLACES.filter((p) => !p.atBench)"
        :key="place.to"
        :to="place.to"
        :class="{ here: here(place.to) }"
        >{{ place.label }}</RouterLink
      >
    </div>
    <div class="row">
      <RouterLink
        v-for="place in PLACES.filter((p) => p.atBench)"
        :key="place.to"
        :to="place.to"
        :class="{ here: here(place.to) }"
        :aria-current="here(place.to) ? 'page' : undefined"
        >{{ place.label }}</RouterLink
      >
      <button
        type="button"
        :class="{ here: PLACES.some((p) => !p.atBench && here(p.to)) }"
        :aria-expanded="more"
        aria-controls="more-places"
        @click="more = !more"
      >
        {{ more ? 'Close' : 'More' }}
      </button>
    </div>
  </nav>
</template>

<style scoped>
.places {
  display: none;
  position: fixed;
  inset: auto 0 0 0;
  z-index: 910;
  background: var(--band);
  color: var(--band-text);
}
.row,
.more {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
}
.more {
  grid-template-columns: repeat(3, minmax(0, 1fr));
  border-bottom: 1.5px solid var(--band-quiet);
}
a,
button {
  min-height: 56px;
  display: flex;
  align-items: center;
  justify-content: center;
  background: none;
  border: 0;
  border-top: 4px solid transparent;
  color: var(--band-quiet);
  font-weight: 600;
  text-decoration: none;
}
.here {
  border-top-color: var(--band-text);
  color: var(--band-text);
}
:focus-visible {
  outline-color: #fff;
  outline-offset: -3px;
}
@media (max-width: 900px) {
  .places {
    display: block;
  }
}
@media print {
  .places {
    display: none;
  }
}
</style>
