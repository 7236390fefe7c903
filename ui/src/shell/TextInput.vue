<script setup lang="ts">
/** One line of text. */
const text = defineModel<string>({ default: '' })
defineProps<{ size?: 'sm' }>()
</script>

<template>
  <input v-model="text" class="form-control" :class="{ 'form-control-sm': size === 'sm' }" />
</template>
