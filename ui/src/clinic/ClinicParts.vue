<script setup lang="ts">
import PageParts from '../shell/PageParts.vue'

/** Machines that are ill, and what machines say. */
const parts = [
  { to: '/clinic', label: 'Cases' },
  { to: '/clinic/messages', label: 'What machines say' },
]
</script>

<template>
  <PageParts :parts="parts" label="Parts of the clinic" />
</template>
