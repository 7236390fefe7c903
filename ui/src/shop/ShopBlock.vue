<script setup lang="ts">
/** What belongs together in the shop’s settings. */
defineProps<{ title: string }>()
</script>

<template>
  <section class="thin block">
    <h2>{{ title }}</h2>
    <slot />
  </section>
</template>

<style scoped>
.block {
  padding: 16px 18px;
}
h2 {
  margin-bottom: 10px;
}
.block :deep(.pair) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin: 10px 0;
}
</style>
