<script setup lang="ts">
import { useRoute } from 'vue-router'
import { useArriving } from './arriving'

/** The part of a page that its address asks for, shown as a whole once its first data are there. */
const route = useRoute()
const arriving = useArriving(() => route.path)
</script>

<template>
  <div :class="{ arriving }"><slot /></div>
</template>
