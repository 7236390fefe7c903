<script setup lang="ts">
/** One channel out of several, by its code. */
defineProps<{ codes: string[]; label: string }>()
const picked = defineModel<string | undefined>({ required: true })
</script>

<template>
  <div class="pick" role="group" :aria-label="label">
    <slot />
    <button
      v-for="code in codes"
      :key="code"
      type="button"
      class="code"
      :class="{ on: code === picked }"
      :aria-pressed="code === picked"
      @click="picked = code"
    >
      {{ code }}
    </button>
  </div>
</template>

<style scoped>
.pick {
  display: flex;
  gap: 6px;
  align-items: center;
  flex-wrap: wrap;
}
.code {
  min-width: 44px;
  min-height: 44px;
  border: 0;
  border-radius: 10px;
  background: none;
  font-weight: 700;
  color: var(--text);
}
.code.on {
  box-shadow: inset 0 0 0 2.5px var(--rim);
  background: var(--wash);
}
</style>
