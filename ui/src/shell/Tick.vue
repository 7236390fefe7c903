<script setup lang="ts">
/** Yes or no. */
const yes = defineModel<boolean>({ required: true })
</script>

<template>
  <label class="form-check"><input v-model="yes" type="checkbox" class="form-check-input" /> <slot /></label>
</template>

<style scoped>
.form-check {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  padding-left: 0;
}
.form-check-input {
  flex: none;
  float: none;
  margin: 0;
}
</style>
