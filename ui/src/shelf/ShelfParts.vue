<script setup lang="ts">
import PageParts from '../shell/PageParts.vue'

/** What stands on the shelf, what lies in the bin, and what has to leave the house. */
const PARTS = [
  { to: '/shelf', label: 'Bottles' },
  { to: '/shelf/parts', label: 'Parts and small things' },
  { to: '/shelf/waste', label: 'Waste' },
]
</script>

<template>
  <PageParts :parts="PARTS" label="Parts of the shelf" />
</template>
