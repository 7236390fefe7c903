<script setup lang="ts">
import { useShop } from '../shell/shop'
import type { VolumeUnit } from '../units/format'
import ShelfParts from './ShelfParts.vue'
import WastePlate from './WastePlate.vue'

const { settings } = useShop()
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <ShelfParts />
    <WastePlate :unit="(settings?.volumeUnit ?? 'mL') as VolumeUnit" />
  </div>
</template>
