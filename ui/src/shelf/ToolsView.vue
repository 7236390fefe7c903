<script setup lang="ts">
import AgesPlate from '../spares/AgesPlate.vue'
import ShelfParts from './ShelfParts.vue'
import ToolsPlate from './ToolsPlate.vue'
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <ShelfParts />
    <div class="halves">
      <ToolsPlate />
      <AgesPlate />
    </div>
  </div>
</template>
