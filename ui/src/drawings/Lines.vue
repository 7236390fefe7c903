<script setup lang="ts">
import { CategoryScale, Chart, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'
import { evening } from '../shell/theme'

Chart.register(LineController, LineElement, PointElement, CategoryScale, LinearScale, Legend, Tooltip)

/** Several courses over the same steps. The same figures stand in a table beside it, for whoever reads or cannot see. */
export interface Course {
  label: string
  /** null where nothing is known */
  values: (number | null)[]
  /** only marks, no line between them */
  marks?: boolean
}
const props = defineProps<{ names: string[]; courses: Course[]; unit: string; under: string; label: string }>()
const canvas = useTemplateRef('canvas')
let chart: Chart<'line'> | undefined

/** Told apart without colour too: by dashes, and by the shape of their marks. */
const DASHES = [[], [8, 4], [2, 3], [12, 4, 2, 4], [5, 5], [16, 5], [1, 6], [8, 3, 2, 3]]
const SHAPES = ['circle', 'rect', 'triangle', 'rectRot', 'star', 'cross', 'crossRot', 'dash'] as const
const ROLES = ['--rim', '--act', '--text', '--quiet']
const colour = (role: string) => getComputedStyle(document.documentElement).getPropertyValue(role).trim()

function draw() {
  if (!canvas.value?.getContext('2d')) return
  chart?.destroy()
  const text = colour('--text')
  const font = { family: getComputedStyle(document.body).fontFamily, size: 14 }
  const scale = (title: string) => ({
    grid: { color: colour('--line') },
    ticks: { color: text, font },
    title: { display: true, text: title, color: text, font },
  })
  chart = new Chart(canvas.value, {
    type: 'line',
    data: {
      labels: props.names,
      datasets: props.courses.map((course, i) => ({
        label: course.label,
        data: course.values,
        borderColor: colour(ROLES[i % ROLES.length] ?? '--text'),
        backgroundColor: colour(ROLES[i % ROLES.length] ?? '--text'),
        borderDash: DASHES[i % DASHES.length] ?? [],
        pointStyle: SHAPES[i % SHAPES.length] ?? 'circle',
        pointRadius: course.marks ? 6 : 3,
        borderWidth: 2,
        showLine: !course.marks,
        spanGaps: true,
      })),
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      scales: { x: scale(props.under), y: { ...scale(props.unit), beginAtZero: true } },
      plugins: { legend: { position: 'bottom', labels: { color: text, font, usePointStyle: true } } },
    },
  })
}
onMounted(draw)
watch(() => [props.names, props.courses, evening.value], draw, { flush: 'post' })
onBeforeUnmount(() => chart?.destroy())
</script>

<template>
  <div class="courses"><canvas ref="canvas" role="img" :aria-label="label"></canvas></div>
</template>

<style scoped>
.courses {
  position: relative;
  height: 340px;
}
</style>
