<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import PageParts from '../shell/PageParts.vue'

/** What stands on the shelf, what to buy of whom, what lies in the bin, what has to leave the house, and what all of it is called. */
const route = useRoute()
const parts = computed(() => [
  { to: '/shelf', label: 'Bottles', here: route.path === '/shelf' || route.path.startsWith('/shelf/bottles/') },
  { to: '/shelf/buying', label: 'To buy' },
  { to: '/shelf/suppliers', label: 'Suppliers' },
  { to: '/shelf/parts', label: 'Parts and small things' },
  { to: '/shelf/tools', label: 'Tools and ages' },
  { to: '/shelf/waste', label: 'Waste' },
  { to: '/shelf/labels', label: 'Labels' },
])
</script>

<template>
  <PageParts :parts="parts" label="Parts of the shelf" />
</template>
