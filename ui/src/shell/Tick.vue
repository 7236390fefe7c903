<script setup lang="ts">
/** Yes or no. */
const yes = defineModel<boolean>({ required: true })
</script>

<template>
  <label class="form-check"><input v-model="yes" type="checkbox" class="form-check-input" /> <slot /></label>
</template>
