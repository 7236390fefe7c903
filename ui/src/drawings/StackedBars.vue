<script setup lang="ts">
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js'
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'
import { evening } from '../shell/theme'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip)

/** Bars of several parts. The same figures stand in a table beside it, for whoever reads or cannot see. */
export interface Part {
  label: string
  /** a role of the palette */
  colour: string
  values: number[]
}
const props = defineProps<{ names: string[]; parts: Part[]; unit: string; label: string }>()
const canvas = useTemplateRef('canvas')
let chart: Chart<'bar'> | undefined

const colour = (role: string) => getComputedStyle(document.documentElement).getPropertyValue(role).trim()

function draw() {
  if (!canvas.value?.getContext('2d')) return
  chart?.destroy()
  const text = colour('--text')
  const font = { family: getComputedStyle(document.body).fontFamily, size: 14 }
  chart = new Chart(canvas.value, {
    type: 'bar',
    data: {
      labels: props.names,
      datasets: props.parts.map((part) => ({
        label: part.label,
        data: part.values,
        backgroundColor: colour(part.colour),
        borderColor: colour('--plate'),
        borderWidth: 1.5,
        maxBarThickness: 64,
      })),
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      scales: {
        x: { stacked: true, grid: { display: false }, ticks: { color: text, font } },
        y: {
          stacked: true,
          grid: { color: colour('--line') },
          ticks: { color: text, font },
          title: { display: true, text: props.unit, color: text, font },
        },
      },
      plugins: { legend: { position: 'bottom', labels: { color: text, font, boxWidth: 18 } } },
    },
  })
}
onMounted(draw)
watch(() => [props.names, props.parts, evening.value], draw, { flush: 'post' })
onBeforeUnmount(() => chart?.destroy())
</script>

<template>
  <div class="bars"><canvas ref="canvas" role="img" :aria-label="label"></canvas></div>
</template>

<style scoped>
.bars {
  position: relative;
  height: 280px;
}
</style>
