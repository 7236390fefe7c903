<script setup lang="ts">
import { useRoute, type RouteLocationRaw } from 'vue-router'

/** The parts of a long page, each with an address of its own: what one comes for first stands first. */
export interface Part {
  to: RouteLocationRaw
  label: string
  /** where an address does not tell it alone */
  here?: boolean
  /** something in it waits */
  count?: number | undefined
}
defineProps<{ parts: Part[]; label: string }>()
const route = useRoute()
const isHere = (part: Part) => part.here ?? route.path === part.to
</script>

<template>
  <nav class="parts" :aria-label="label">
    <RouterLink
      v-for="part in parts"
      :key="part.label"
      :to="part.to"
      :class="{ here: isHere(part) }"
      :aria-current="isHere(part) ? 'page' : undefined"
      >{{ part.label }}<b v-if="part.count" class="count">{{ part.count }}</b></RouterLink
    >
  </nav>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 2px;
  border-bottom: 2px solid var(--rim);
  margin-bottom: 18px;
}
.parts a {
  min-height: 46px;
  padding: 0 16px;
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--rim);
  font-weight: 600;
  text-decoration: none;
  border-radius: 12px 12px 0 0;
}
.parts a:hover {
  background: var(--wash);
}
.parts .here {
  background: var(--rim);
  color: var(--plate);
}
.count {
  font-size: 0.8rem;
  min-width: 22px;
  text-align: center;
  border-radius: 11px;
  padding: 0 6px;
  background: var(--act);
  color: var(--act-text);
}
@media (max-width: 520px) {
  .parts a {
    padding: 0 6px;
    gap: 4px;
    font-size: 0.95rem;
    flex: 1 0 auto;
    justify-content: center;
  }
}
@media print {
  .parts {
    display: none;
  }
}
</style>
