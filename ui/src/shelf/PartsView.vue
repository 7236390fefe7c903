<script setup lang="ts">
import { computed } from 'vue'
import { useShop } from '../shell/shop'
import AgesPlate from '../spares/AgesPlate.vue'
import SparesPlate from '../spares/SparesPlate.vue'
import ShelfParts from './ShelfParts.vue'
import SuppliesPlate from './SuppliesPlate.vue'
import ToolsPlate from './ToolsPlate.vue'

const { settings } = useShop()
const currency = computed(() => settings.value?.currency ?? 'GBP')
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <ShelfParts />
    <SparesPlate :currency="currency" />
    <AgesPlate />
    <ToolsPlate />
    <SuppliesPlate :currency="currency" />
  </div>
</template>
