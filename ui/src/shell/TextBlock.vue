<script setup lang="ts">
/** Several lines of text. */
const text = defineModel<string>({ default: '' })
</script>

<template>
  <textarea v-model="text" class="form-control"></textarea>
</template>
