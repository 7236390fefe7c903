<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import type { Reading } from './useReading'

/** The straightened picture of what was read; a tap on a stroke says the opposite of what was read there. */
const props = defineProps<{ reading: Reading }>()
const emit = defineEmits<{ correct: [channel: string, missing: number[]] }>()

type Look = Reading['looks'][number]
const marks = computed(() =>
  props.reading.looks.flatMap((look) =>
    look.strokes === 0
      ? []
      : Array.from({ length: look.spots.length / 2 }, (_, i) => i)
          .filter((i) => shown(look, i))
          .map((i) => ({
            look,
            i,
            ...at(look, i),
            missing: look.missing.includes(i),
            unsure: look.unsure.includes(i),
          })),
  ),
)
function shown(look: Look, i: number) {
  return look.missing.includes(i) || (look.unsure.includes(i) && !look.corrected)
}
function at(look: Look, i: number) {
  return { x: (look.spots[2 * i] ?? 0) * 100, y: (look.spots[2 * i + 1] ?? 0) * 100 }
}
/** The stroke nearest to a tap, within a finger's breadth. */
function tap(event: MouseEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const x = (event.clientX - box.left) / box.width
  const y = (event.clientY - box.top) / box.height
  let best: { look: Look; i: number; far: number } | undefined
  for (const look of props.reading.looks)
    for (let i = 0; 2 * i + 1 < look.spots.length; i++) {
      const far = Math.hypot(
        ((look.spots[2 * i] ?? 0) - x) * box.width * 0.3,
        ((look.spots[2 * i + 1] ?? 0) - y) * box.height,
      )
      if (far < 14 && far < (best?.far ?? Infinity)) best = { look, i, far }
    }
  if (best) flip(best.look, best.i)
}
function flip(look: Look, i: number) {
  const missing = look.missing.includes(i)
    ? look.missing.filter((m) => m !== i)
    : [...look.missing, i].sort((a, b) => a - b)
  emit('correct', look.channel, missing)
}
/** What a finger or the picture's edge hides: it counts as a check when somebody says what is there. */
const hidden = computed(() => props.reading.looks.filter((l) => l.unseen.length))
const strokes = computed(() => props.reading.looks.filter((l) => !l.unreadable).reduce((sum, l) => sum + l.strokes, 0))
const unsure = computed(() => props.reading.looks.reduce((sum, l) => sum + (l.corrected ? 0 : l.unsure.length), 0))
</script>

<template>
  <figure class="read">
    <div v-if="reading.straight" class="plate frame">
      <div class="picture" @click="tap">
        <img
          :src="`/api/pictures/${reading.straight}`"
          :alt="`${reading.kindLabel ?? 'check'} of ${reading.machineName ?? 'a machine'}, straightened`"
          :style="{ aspectRatio: reading.shape ?? 'auto' }"
        />
        <span
          v-for="m in marks"
          :key="`${m.look.channel}${m.i}`"
          class="ring"
          :class="{ missing: m.missing, unsure: m.unsure }"
          :style="{ left: `${m.x}%`, top: `${m.y}%` }"
          aria-hidden="true"
        ></span>
      </div>
    </div>
    <figcaption class="small quiet">
      <template v-if="strokes">
        Tap a stroke to correct it. Sure of {{ strokes - unsure }} of {{ strokes }} strokes<template v-if="unsure"
          >; {{ unsure }} dashed: worth a look</template
        >.
      </template>
      <span v-if="reading.pixelsPerMm"> {{ reading.pixelsPerMm.toFixed(1) }} pixels per mm.</span>
    </figcaption>
    <p v-for="l in hidden" :key="l.channel" class="small">
      <b class="code">{{ l.channel }}</b>:
      {{ l.unseen.length === 1 ? '1 stroke is' : `${l.unseen.length} strokes are` }} hidden, so it is no check yet.
      <BButton variant="outline-secondary" size="sm" @click="emit('correct', l.channel, [...l.missing])"
        >I looked: those are there</BButton
      >
    </p>
  </figure>
</template>

<style scoped>
.read {
  margin: 0;
}
.frame {
  padding: 10px;
  margin: 6px 6px 12px;
}
.picture {
  position: relative;
  cursor: crosshair;
}
.picture img {
  width: 100%;
  display: block;
  border-radius: 6px;
  background: var(--wash);
}
.ring {
  position: absolute;
  width: 20px;
  height: 20px;
  margin: -10px 0 0 -10px;
  border-radius: 50%;
  border: 2px solid var(--rim);
  pointer-events: none;
}
.ring.missing {
  border-color: var(--act);
}
.ring.unsure {
  border-style: dashed;
}
</style>
