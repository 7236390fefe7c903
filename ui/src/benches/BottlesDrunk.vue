<script setup lang="ts">
import { computed } from 'vue'
import { api } from '../api/client'
import { useServer } from '../api/useServer'
import { monthName } from '../books/books'
import { volume, type VolumeUnit } from '../units/format'

/** Every bottle that a machine ever drank from. */
const props = defineProps<{ machine: number; unit: VolumeUnit }>()
const { data: bottles } = useServer(
  () => ['bottles', props.machine],
  () => api.GET('/api/machines/{machine}/bottles', { params: { path: { machine: props.machine } } }),
  () => [`machine/${props.machine}`, 'shelf'],
)
const when = (b: { first?: string; last?: string }) =>
  b.first && b.last ? (b.first === b.last ? monthName(b.last) : `${monthName(b.first)} – ${monthName(b.last)}`) : '–'
const ordered = computed(() => bottles.value ?? [])
</script>

<template>
  <p v-if="!bottles" class="quiet loading">Looking …</p>
  <p v-else-if="!ordered.length" class="quiet">
    It has drunk from no bottle of the shelf: what it holds was in it when it came.
  </p>
  <div v-else class="scroll-x" tabindex="0" role="region" aria-label="Bottles it drank from">
    <table class="figures cards">
      <thead>
        <tr>
          <th>bottle</th>
          <th>went through</th>
          <th>in it now</th>
          <th>when</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in ordered" :key="b.lot">
          <td>
            <b>{{ b.channel }}</b> <RouterLink :to="`/shelf/bottles/${b.lot}`">{{ b.code }}</RouterLink>
            <span class="quiet small">{{ b.make }}</span>
            <span v-if="b.spoiled" class="act strong">marked bad</span>
          </td>
          <td data-th="went through">{{ volume(b.went, unit) }}</td>
          <td data-th="in it now">{{ volume(b.holds, unit) }}</td>
          <td data-th="when">{{ when(b) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
