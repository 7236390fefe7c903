<script setup lang="ts">
import { computed } from 'vue'
import { useShop } from '../shell/shop'
import SparesPlate from '../spares/SparesPlate.vue'
import ShelfParts from './ShelfParts.vue'
import SuppliesPlate from './SuppliesPlate.vue'

const { settings } = useShop()
const currency = computed(() => settings.value?.currency ?? 'GBP')
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <ShelfParts />
    <SparesPlate :currency="currency" />
    <SuppliesPlate :currency="currency" />
  </div>
</template>
