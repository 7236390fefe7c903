<script setup lang="ts">
import PageParts from '../shell/PageParts.vue'

/** What happened, and what it takes. */
const PARTS = [
  { to: '/log', label: 'What happened' },
  { to: '/log/ink', label: 'Where ink went' },
  { to: '/log/month', label: 'What a month cost' },
  { to: '/log/burden', label: 'What it takes' },
  { to: '/log/fare', label: 'How machines fare' },
]
</script>

<template>
  <PageParts :parts="PARTS" label="Parts of the log" />
</template>
