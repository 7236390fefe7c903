<script setup lang="ts">
import { computed } from 'vue'
import type { Problem } from '../api/client'

/** What is wrong with one field, beside it. */
const props = defineProps<{ problem?: Problem; field: string }>()
const mine = computed(() => props.problem?.errors?.find((e) => e.field === props.field)?.detail)
</script>

<template>
  <p v-if="mine" class="act strong small field-problem" role="alert">{{ mine }}</p>
</template>

<style scoped>
.field-problem {
  margin: 4px 0 0;
}
</style>
