<script setup lang="ts">
import PageParts from '../shell/PageParts.vue'

/** Small questions, and the large one: what pays. */
const PARTS = [
  { to: '/sums', label: 'Small sums' },
  { to: '/sums/ways', label: 'Which way pays' },
]
</script>

<template>
  <PageParts :parts="PARTS" label="Parts of the sums" />
</template>
