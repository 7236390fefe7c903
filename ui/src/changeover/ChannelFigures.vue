<script setup lang="ts">
import type { Schemas } from '../api/client'
import { figure, percent, volume, type VolumeUnit } from '../units/format'

defineProps<{ channels: Schemas['ChannelPlanJson'][]; unit: VolumeUnit; drains: boolean; picked?: string }>()
const emit = defineEmits<{ pick: [before: string] }>()
</script>

<template>
  <div class="scroll-x" tabindex="0" role="region" aria-label="Quantities per channel">
    <table class="figures">
      <thead>
        <tr>
          <th>slot</th>
          <th v-if="drains">holds</th>
          <th v-if="drains">pull, mL</th>
          <th v-if="drains">rinse, mL</th>
          <th v-if="drains">chaser</th>
          <th>charge</th>
          <th>sheets</th>
          <th>bottles to buy</th>
          <th>left over</th>
          <th v-if="drains || channels.some((c) => c.residue > 0)">old ink left</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in channels" :key="c.before" :class="{ on: c.before === picked }" @click="emit('pick', c.before)">
          <td>
            <b>{{ c.before === c.code ? c.code : `${c.before} → ${c.code}` }}</b> {{ c.colour }}
          </td>
          <td v-if="drains">{{ volume(c.holds, unit) }}</td>
          <td v-if="drains">{{ c.pulls }}</td>
          <td v-if="drains">{{ c.rinses }}</td>
          <td v-if="drains">{{ volume(c.chaser, unit) }}</td>
          <td>{{ c.rests > 0 ? `${volume(c.rests, unit)} fluid` : volume(c.charge, unit) }}</td>
          <td>{{ c.sheets || '–' }}</td>
          <td>
            {{
              !c.needed
                ? '–'
                : c.bottles.length
                  ? `${c.bottles.map((b) => figure(b, unit)).join(' + ')} ${unit}`
                  : 'enough on the shelf'
            }}
          </td>
          <td>{{ c.bottles.length ? volume(c.leftOver, unit) : '–' }}</td>
          <td v-if="drains || channels.some((o) => o.residue > 0)">
            {{ c.doing === 'FILL' ? percent(c.residue) : '–' }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
tr.on td {
  background: var(--wash);
}
td {
  white-space: nowrap;
}
</style>
