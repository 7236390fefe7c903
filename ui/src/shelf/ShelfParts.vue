<script setup lang="ts">
import PageParts from '../shell/PageParts.vue'

/** What stands on the shelf, what lies in the bin, what has to leave the house, and what all of it is called. */
const PARTS = [
  { to: '/shelf', label: 'Bottles' },
  { to: '/shelf/buying', label: 'To buy' },
  { to: '/shelf/suppliers', label: 'Suppliers' },
  { to: '/shelf/parts', label: 'Parts and small things' },
  { to: '/shelf/waste', label: 'Waste' },
  { to: '/shelf/labels', label: 'Labels' },
]
</script>

<template>
  <PageParts :parts="PARTS" label="Parts of the shelf" />
</template>
