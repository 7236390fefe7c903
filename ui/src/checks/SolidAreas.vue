<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import type { Reading } from './useReading'

/** What the full areas of a sheet showed, and what that points at. */
defineProps<{ reading: Reading }>()
const emit = defineEmits<{ clean: [] }>()

/** No reading is truer than whole per cents. */
const whole = (share: number) => `${Math.round(share * 100) || 0} %`
</script>

<template>
  <section>
    <h2>Full areas</h2>
    <table class="figures">
      <thead>
        <tr>
          <th>channel</th>
          <th>lost down the page</th>
          <th>streaks</th>
          <th>other colour in it</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="l in reading.looks.filter((x) => x.solid)" :key="l.channel">
          <tr>
            <td>
              <b>{{ l.channel }}</b>
            </td>
            <td :class="{ 'act strong': Math.abs(l.solid!.fade) > 0.06 }">{{ whole(l.solid!.fade) }}</td>
            <td :class="{ 'act strong': l.solid!.streaks }">{{ l.solid!.streaks || 'none' }}</td>
            <td :class="{ 'act strong': l.solid!.foreign >= 0.1 }">{{ whole(l.solid!.foreign) }}</td>
          </tr>
          <tr v-if="l.solid!.says" class="says">
            <td colspan="4" class="small">{{ l.solid!.says }}</td>
          </tr>
        </template>
      </tbody>
    </table>
    <p class="small quiet">
      <template v-if="reading.reference">This is the clean one that colour is held against.</template>
      <BButton v-else size="sm" variant="outline-secondary" @click="emit('clean')"
        >Its colours are clean: hold others against it</BButton
      >
    </p>
  </section>
</template>

<style scoped>
.says td {
  border-top: 0;
  padding-top: 0;
}
</style>
