<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { teeth, verdict } from '../drawings/comb'

/**
 * One channel's comb to be tapped. A tap on a part of it opens its strokes, each wide enough for a glove; a tap on a stroke says
 * that it is missing. One tap says that all are there.
 */
const PARTS = 6
const TEETH = 5

const props = defineProps<{ code: string; nozzles: number }>()
/** missing nozzles; undefined while nobody has looked */
const missing = defineModel<number[] | undefined>({ required: true })

const parts = computed(() => teeth(props.nozzles, missing.value ?? [], PARTS))
const opened = ref<number>()
const strokes = computed(() => {
  const part = opened.value === undefined ? undefined : parts.value[opened.value]
  return part ? Array.from({ length: part.to - part.from + 1 }, (_, i) => part.from + i) : []
})
const gone = (stroke: number) => Boolean(missing.value?.includes(stroke))
const allGone = computed(() => strokes.value.every(gone))

/** What of a part is drawn: a gap in it is seen, however many strokes a tooth stands for. */
function drawn(part: { from: number; to: number }) {
  const inside = (missing.value ?? []).filter((n) => n >= part.from && n <= part.to).map((n) => n - part.from)
  return teeth(part.to - part.from + 1, inside, TEETH)
}

function say(which: number[], are: boolean) {
  const rest = (missing.value ?? []).filter((n) => !which.includes(n))
  missing.value = (are ? [...rest, ...which] : rest).sort((a, b) => a - b)
}
</script>

<template>
  <div class="room">
    <div class="comb-entry" role="group" :aria-label="`Nozzle check of ${code}`">
      <b class="code">{{ code }}</b>
      <div class="parts">
        <button
          v-for="(part, i) in parts"
          :key="part.from"
          type="button"
          class="part"
          :class="{ open: opened === i }"
          :aria-expanded="opened === i"
          :aria-label="`${code} strokes ${part.from + 1} to ${part.to + 1}: ${verdict(part.to - part.from + 1, part.missing)}`"
          @click="opened = opened === i ? undefined : i"
        >
          <span v-for="tooth in drawn(part)" :key="tooth.from" class="tooth" :class="{ gone: tooth.missing }"></span>
        </button>
      </div>
      <BButton
        :variant="missing && !missing.length ? 'secondary' : 'outline-secondary'"
        size="sm"
        :aria-pressed="missing !== undefined && missing.length === 0"
        @click="missing = []"
        >whole</BButton
      >
      <span class="small verdict" :class="missing?.length ? 'act strong' : 'quiet'">{{
        missing === undefined ? 'not looked at' : verdict(nozzles, missing.length)
      }}</span>
      <div v-if="strokes.length" class="lens" role="group" :aria-label="`Strokes of ${code}: tap what is missing`">
        <button
          v-for="stroke in strokes"
          :key="stroke"
          type="button"
          class="stroke"
          :class="{ gone: gone(stroke) }"
          :aria-pressed="gone(stroke)"
          :aria-label="`${code} stroke ${stroke + 1} missing`"
          @click="say([stroke], !gone(stroke))"
        >
          {{ stroke + 1 }}
        </button>
        <BButton size="sm" variant="outline-secondary" @click="say(strokes, !allGone)">{{
          allGone ? 'none of these' : 'all of these'
        }}</BButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
/* why: it stands in columns of any width, and a part is never narrower than a finger */
.room {
  container-type: inline-size;
}
.comb-entry {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) auto 122px;
  gap: 12px;
  align-items: center;
}
.code {
  font-size: 1.2rem;
}
.parts {
  display: flex;
}
.part {
  flex: 1 1 0;
  min-width: 0;
  display: flex;
  align-items: flex-start;
  height: 60px;
  padding: 6px 2px 0;
  border: 0;
  border-bottom: 3px solid var(--line);
  border-left: 1.5px solid var(--line);
  background: none;
}
.part.open {
  background: var(--wash);
  border-bottom-color: var(--rim);
}
.part:hover {
  background: var(--wash);
}
.tooth {
  flex: 1 1 0;
  height: 46px;
  background: linear-gradient(var(--text), var(--text)) center top / 55% 36px no-repeat;
}
.tooth.gone {
  background: linear-gradient(var(--act), var(--act)) center bottom / 80% 9px no-repeat;
}
.lens {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 8px 0 12px;
}
.stroke {
  min-width: 46px;
  min-height: 46px;
  border: 1.5px solid var(--rim);
  border-radius: 6px;
  background: var(--plate);
  color: var(--text);
  font-weight: 650;
}
.stroke.gone {
  border: 3px solid var(--act);
  color: var(--act);
  text-decoration: line-through;
}
@container (max-width: 540px) {
  .comb-entry {
    grid-template-columns: 34px auto minmax(0, 1fr);
    gap: 4px 12px;
  }
  .parts {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
