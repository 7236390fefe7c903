<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { api, type Schemas } from '../api/client'
import { useShop } from '../shell/shop'
import { minutes, money, volume, type VolumeUnit } from '../units/format'
import Choice from '../shell/Choice.vue'

/** What each kind of machine takes to keep alive, for each square metre it printed. */
const { settings } = useShop()
const days = ref(90)
const lines = shallowRef<Schemas['BurdenLine'][]>([])
watch(
  days,
  async (now) => {
    const { data } = await api.GET('/api/burden', { params: { query: { days: now } } })
    lines.value = data ?? []
  },
  { immediate: true },
)
const unit = () => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit
const cost = (minor: number) => money({ minor, currency: settings.value?.currency ?? 'GBP' })
</script>

<template>
  <details class="fold">
    <summary>What keeping them alive takes</summary>
    <div class="row-form">
      <Choice
        v-model="days"
        :options="[
          { value: 30, text: 'the last 30 days' },
          { value: 90, text: 'the last 90 days' },
          { value: 365, text: 'the last year' },
        ]"
        aria-label="Over which time"
      />
    </div>
    <div class="scroll-x" tabindex="0" role="region" aria-label="Upkeep by kind of machine">
      <table class="figures">
        <thead>
          <tr>
            <th>kind of machine</th>
            <th>printed, m²</th>
            <th>hands</th>
            <th>ink not sold</th>
            <th>parts</th>
            <th>for each m²</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in lines" :key="l.kind">
            <td>
              {{ l.kind }} <span class="quiet small">{{ l.machines.join(', ') }}</span>
            </td>
            <td>{{ l.printed ? l.printed.toFixed(1) : '0' }}</td>
            <td>{{ minutes(l.minutes) }}</td>
            <td>{{ volume(l.mL, unit()) }}</td>
            <td>{{ cost(l.parts) }}</td>
            <td>
              <template v-if="l.perSquareMetre"
                >{{ minutes(l.perSquareMetre.minutes) }}, {{ volume(l.perSquareMetre.mL, unit()) }},
                {{ cost(l.perSquareMetre.parts) }}</template
              >
              <span v-else class="quiet">nothing printed</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="small quiet">
      Hands of upkeep, cures and checks; ink that went into pads, waste and upkeep’s own sheets. A sheet counts as A4.
    </p>
  </details>
</template>

<style scoped>
.row-form select {
  max-width: 240px;
}
</style>
