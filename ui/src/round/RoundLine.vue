<script setup lang="ts">
import { computed, ref } from 'vue'
import { clock } from '../units/format'
import type { Round, Visit } from './useRound'

/** People and machines on one line of time: hands solid, the machine's own minutes hatched, rests dotted. */
const props = defineProps<{ round: Round; zone: string; chosen?: string }>()
const emit = defineEmits<{ choose: [key: string]; pin: [visit: Visit, at: string] }>()

const PER_MINUTE = 5 // px
const NAMES = 112
const ROW = 46
const TOP = 34
const BAR = 34
const LEAST = 190 // minutes shown
const GRID = 30

const ms = (instant: string) => new Date(instant).getTime()
const minute = (instant: string) => (ms(instant) - from.value) / 60_000
const from = computed(() => {
  const first = Math.min(ms(props.round.now), ...props.round.visits.map((v) => ms(v.begun ?? v.at)))
  return Math.floor(first / (15 * 60_000)) * 15 * 60_000
})
const span = computed(() => {
  const ends = [
    ...props.round.visits.map((v) => minute(v.at) + v.hands + v.works),
    ...props.round.promises.map((p) => minute(p.at) + p.minutes),
  ]
  return Math.max(LEAST, ...ends) + 10
})
const width = computed(() => NAMES + span.value * PER_MINUTE)
const x = (at: number) => NAMES + at * PER_MINUTE

const people = computed(() =>
  props.round.people.filter((p) => p.from || props.round.visits.some((v) => v.person === p.id)),
)
const machines = computed(() => {
  const used = new Set([
    ...props.round.visits.map((v) => v.machine),
    ...props.round.promises.map((p) => p.machine),
    ...props.round.taken.map((t) => t.machine),
  ])
  return props.round.machines.filter((m) => used.has(m.id))
})
const personY = (id: number | undefined) =>
  TOP +
  Math.max(
    0,
    people.value.findIndex((p) => p.id === id),
  ) *
    ROW
const split = computed(() => TOP + Math.max(1, people.value.length) * ROW + 6)
const machineY = (id: number) => split.value + 14 + machines.value.findIndex((m) => m.id === id) * ROW
const height = computed(() => split.value + 20 + machines.value.length * ROW)

const hours = computed(() => {
  const lines = []
  const first = Math.ceil(from.value / (GRID * 60_000)) * GRID * 60_000
  for (let at = first; at <= from.value + span.value * 60_000; at += GRID * 60_000)
    lines.push({ x: x((at - from.value) / 60_000), label: clock(new Date(at).toISOString(), props.zone) })
  return lines
})
const nameOf = (id: number) => props.round.machines.find((m) => m.id === id)?.name ?? ''
const label = (text: string, room: number) =>
  room < 46 ? '' : text.length * 7 > room - 12 ? `${text.slice(0, Math.max(1, Math.floor((room - 20) / 7)))}…` : text

// ---- dragging pins a visit to a time
const dragged = ref<{ key: string; start: number; by: number }>()
function grab(event: PointerEvent, visit: Visit) {
  if (!visit.head || visit.begun) return
  ;(event.currentTarget as Element).setPointerCapture?.(event.pointerId)
  dragged.value = { key: visit.key, start: event.clientX, by: 0 }
}
function drag(event: PointerEvent) {
  if (dragged.value) dragged.value = { ...dragged.value, by: event.clientX - dragged.value.start }
}
function drop(visit: Visit) {
  const drawn = dragged.value
  dragged.value = undefined
  if (!drawn) return
  if (Math.abs(drawn.by) < 6) return emit('choose', visit.key)
  const at = Math.max(ms(props.round.now), ms(visit.at) + (drawn.by / PER_MINUTE) * 60_000)
  emit('pin', visit, new Date(Math.round(at / 300_000) * 300_000).toISOString())
}
const shift = (visit: Visit) => (dragged.value?.key === visit.key ? dragged.value.by : 0)
</script>

<template>
  <div class="plate frame" tabindex="0" role="region" aria-label="Time line of people and machines">
    <svg
      :width="width"
      :height="height"
      role="img"
      :aria-label="`${round.visits.length} visits from ${clock(round.now, zone)}`"
    >
      <defs>
        <pattern id="round-works" width="7" height="7" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
          <rect width="7" height="7" fill="var(--wash)" />
          <rect width="2" height="7" fill="var(--rim-soft)" />
        </pattern>
      </defs>
      <g v-for="line in hours" :key="line.x">
        <line :x1="line.x" :x2="line.x" y1="22" :y2="height - 4" stroke="var(--line)" />
        <text :x="line.x" y="16" text-anchor="middle" class="hour">{{ line.label }}</text>
      </g>
      <line x1="0" :x2="width" :y1="split" :y2="split" stroke="var(--line)" stroke-width="2" />
      <text v-for="p in people" :key="p.id" x="8" :y="personY(p.id) + 22" class="row-name">{{ p.name }}</text>
      <text v-for="m in machines" :key="m.id" x="8" :y="machineY(m.id) + 22" class="row-name">{{ m.name }}</text>

      <g v-for="t in round.taken" :key="`${t.machine}${t.from}`">
        <rect
          :x="x(Math.max(0, minute(t.from)))"
          :y="machineY(t.machine)"
          :width="Math.max(4, (Math.min(span, minute(t.to)) - Math.max(0, minute(t.from))) * PER_MINUTE)"
          :height="BAR"
          rx="6"
          class="rest"
        />
        <text :x="x(Math.max(0, minute(t.from))) + 8" :y="machineY(t.machine) + 21" class="quiet-label">
          rests until {{ clock(t.to, zone) }}
        </text>
      </g>
      <g v-for="p in round.promises" :key="`p${p.id}`">
        <rect
          :x="x(Math.max(0, minute(p.at)))"
          :y="machineY(p.machine)"
          :width="Math.max(4, p.minutes * PER_MINUTE)"
          :height="BAR"
          rx="6"
          class="promised"
          :class="{ broken: !p.kept }"
        />
        <text :x="x(Math.max(0, minute(p.at))) + 8" :y="machineY(p.machine) + 21" class="dark-label">
          {{ label(`${p.kept ? 'promised' : 'LATE'}: ${p.words}`, p.minutes * PER_MINUTE) }}
        </text>
      </g>
      <g
        v-for="v in round.visits"
        :key="v.key"
        class="visit"
        :class="{ begun: v.begun, chosen: v.key === chosen, fixed: !v.head }"
      >
        <rect
          v-if="v.rests"
          :x="x(minute(v.at) + v.hands + v.works)"
          :y="machineY(v.machine)"
          :width="Math.min(v.rests, Math.max(1, span - minute(v.at) - v.hands - v.works)) * PER_MINUTE"
          :height="BAR"
          rx="6"
          class="rest"
        />
        <rect
          v-if="v.works"
          :x="x(minute(v.at) + v.hands)"
          :y="machineY(v.machine)"
          :width="v.works * PER_MINUTE"
          :height="BAR"
          rx="6"
          fill="url(#round-works)"
        />
        <g
          v-for="y in v.person ? [personY(v.person), machineY(v.machine)] : [machineY(v.machine)]"
          :key="y"
          :transform="`translate(${shift(v)} 0)`"
          @pointerdown="grab($event, v)"
          @pointermove="drag"
          @pointerup="drop(v)"
          @pointercancel="dragged = undefined"
        >
          <title>{{ clock(v.at, zone) }} {{ nameOf(v.machine) }}: {{ v.title }}, {{ v.hands }} min</title>
          <rect :x="x(minute(v.at))" :y="y" :width="v.hands * PER_MINUTE" :height="BAR" rx="6" class="hands" />
          <circle
            v-if="v.pinned"
            :cx="x(minute(v.at)) + 7"
            :cy="y + 7"
            r="4"
            fill="var(--act-text)"
            stroke="var(--act)"
            stroke-width="2"
          />
          <text :x="x(minute(v.at)) + 7" :y="y + 21" class="hands-label">
            {{ label(y < split ? nameOf(v.machine) : v.title, v.hands * PER_MINUTE) }}
          </text>
        </g>
      </g>
      <line
        :x1="x(minute(round.now))"
        :x2="x(minute(round.now))"
        y1="20"
        :y2="height - 2"
        stroke="var(--act)"
        stroke-width="3"
      />
    </svg>
  </div>
</template>

<style scoped>
.frame {
  overflow-x: auto;
  padding: 6px 4px;
}
.hour {
  font-size: 13px;
  fill: var(--quiet);
}
.row-name {
  font:
    600 15px 'Besley Variable',
    serif;
  fill: var(--text);
}
.hands {
  fill: var(--rim);
}
.visit:not(.fixed) .hands {
  cursor: grab;
}
.visit.begun .hands {
  fill: var(--act);
}
.visit.chosen .hands {
  stroke: var(--act);
  stroke-width: 3;
}
.hands-label {
  font-size: 13px;
  font-weight: 650;
  fill: var(--plate);
  pointer-events: none;
}
.rest {
  fill: none;
  stroke: var(--rim-soft);
  stroke-width: 2;
  stroke-dasharray: 3 4;
}
.promised {
  fill: var(--warm);
}
.promised.broken {
  stroke: var(--act);
  stroke-width: 2.5;
}
.dark-label {
  font-size: 13px;
  font-weight: 650;
  fill: var(--text);
}
.quiet-label {
  font-size: 13px;
  fill: var(--quiet);
}
</style>
