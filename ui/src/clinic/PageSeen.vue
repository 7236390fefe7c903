<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive } from 'vue'
import type { Schemas } from '../api/client'

/** What a full page showed, channel by channel. Even is the answer until somebody taps another. */
const props = defineProps<{ channels: readonly string[]; busy: boolean }>()
const emit = defineEmits<{ seen: [page: Schemas['PageSeenJson'][]] }>()

const WEIGHTS = [
  { label: 'even', fade: 0.03 },
  { label: 'weaker at the foot', fade: 0.22 },
  { label: 'fades', fade: 0.6 },
  { label: 'nothing came', fade: 1 },
]
type Tint = 'own' | 'edge' | 'all'
const TINTS: { tint: Tint; label: string }[] = [
  { tint: 'edge', label: 'wrong colour at the top edge' },
  { tint: 'all', label: 'wrong colour all down' },
]
const seen = reactive<Record<string, { weight: number; band: boolean; tint: Tint }>>({})
const of = (code: string) => (seen[code] ??= { weight: 0, band: false, tint: 'own' })
const clean = computed(() => props.channels.every((c) => !of(c).weight && !of(c).band && of(c).tint === 'own'))
const send = () =>
  emit(
    'seen',
    props.channels.map((c) => ({
      channel: c,
      fade: WEIGHTS[of(c).weight]!.fade,
      band: of(c).band,
      off: of(c).tint !== 'own',
      ...(of(c).tint === 'own' ? {} : { clears: of(c).tint === 'edge' }),
    })),
  )
</script>

<template>
  <div>
    <BButton variant="primary" size="lg" class="wide" :disabled="busy" @click="send">{{
      clean ? 'All even' : 'That is what it showed'
    }}</BButton>
    <div v-for="code in channels" :key="code" class="row" role="group" :aria-label="`Page of ${code}`">
      <b class="code">{{ code }}</b>
      <span class="chips">
        <button
          v-for="(w, i) in WEIGHTS"
          :key="w.label"
          type="button"
          class="pick chip"
          :class="{ on: of(code).weight === i }"
          :aria-pressed="of(code).weight === i"
          @click="of(code).weight = i"
        >
          {{ w.label }}
        </button>
        <button
          type="button"
          class="pick chip"
          :class="{ on: of(code).band }"
          :aria-pressed="of(code).band"
          @click="of(code).band = !of(code).band"
        >
          bare band
        </button>
        <button
          v-for="t in TINTS"
          :key="t.tint"
          type="button"
          class="pick chip"
          :class="{ on: of(code).tint === t.tint }"
          :aria-pressed="of(code).tint === t.tint"
          @click="of(code).tint = of(code).tint === t.tint ? 'own' : t.tint"
        >
          {{ t.label }}
        </button>
      </span>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr);
  gap: 8px;
  padding: 6px 0;
  border-top: 1.5px solid var(--line);
  align-items: center;
}
.code {
  font-size: 1.1rem;
}
.wide {
  width: 100%;
  margin-bottom: 12px;
}
.chips {
  margin-bottom: 0;
}
</style>
