<script setup lang="ts">
import BurdenPlate from './BurdenPlate.vue'
import LogParts from './LogParts.vue'
</script>

<template>
  <div class="page">
    <h1>Log</h1>
    <LogParts />
    <BurdenPlate />
  </div>
</template>
