<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { day } from '../units/format'
import Choice from '../shell/Choice.vue'

/** What the lines of white looked like, the last two times side by side. */
const props = defineProps<{ machine: number; channels: string[]; looks: Schemas['LineLook'][]; zone: string }>()
const emit = defineEmits<{ looked: [routines: Schemas['MachineRoutinesJson']] }>()

type Look = Schemas['LineLook']
const SEEN: Record<Look['seen'], string> = { CLEAR: 'clear', FILM: 'a film', SOLID: 'solid' }
const PLACES: Record<Look['place'], string> = { BOTTLE: 'bottle', LINE: 'line', DAMPER: 'damper' }
const places = (Object.keys(PLACES) as Look['place'][]).map((value) => ({ value, text: PLACES[value] }))
const sorts = (Object.keys(SEEN) as Look['seen'][]).map((value) => ({ value, text: SEEN[value] }))
const seen = reactive({ channel: '', place: 'LINE' as Look['place'], seen: 'CLEAR' as Look['seen'] })
const file = ref<File>()
const problem = ref<string>()
const pairs = computed(() => {
  const by = new Map<string, Look[]>()
  for (const look of props.looks) {
    const key = `${PLACES[look.place]} of ${look.channel}`
    by.set(key, [...(by.get(key) ?? []), look])
  }
  return [...by]
})
const solid = computed(() =>
  props.looks.some(
    (l, i) => l.seen === 'SOLID' && props.looks.findIndex((o) => o.channel === l.channel && o.place === l.place) === i,
  ),
)

const { run: keep, busy } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/machines/{machine}/line-looks', {
    params: {
      path: { machine: props.machine },
      query: { channel: seen.channel || props.channels[0]!, place: seen.place, seen: seen.seen },
    },
    body: (file.value ?? new Blob([])) as unknown as string,
    bodySerializer: (body: unknown) => body as Blob,
    headers: { 'Content-Type': 'application/octet-stream' },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) {
    file.value = undefined
    emit('looked', data)
  }
})
</script>

<template>
  <div class="looks">
    <div v-for="[what, two] in pairs" :key="what" class="pair">
      <span class="strong small">The {{ what }}</span>
      <figure v-for="l in two" :key="l.at">
        <img v-if="l.picture" :src="`/api/pictures/${l.picture}`" :alt="`${what}, ${SEEN[l.seen]}`" />
        <figcaption class="small">
          <b :class="{ act: l.seen === 'SOLID' }">{{ SEEN[l.seen] }}</b> {{ day(l.at, zone) }}, {{ l.person }}
        </figcaption>
      </figure>
    </div>
    <p v-if="solid" class="act strong small">Solid at the floor: shaking does not loosen it. Flush this line.</p>
    <details class="fold">
      <summary>Look at a line, a bottle or a damper</summary>
      <form class="row-form" novalidate @submit.prevent="keep">
        <Choice
          :model-value="seen.channel || channels[0]"
          :options="channels"
          aria-label="Which white?"
          @update:model-value="seen.channel = String($event)"
        />
        <Choice v-model="seen.place" :options="places" aria-label="Where?" />
        <Choice v-model="seen.seen" :options="sorts" aria-label="How does it look?" />
        <label class="btn btn-outline-secondary"
          >{{ file ? 'Picture chosen' : 'Take a picture' }}
          <input
            type="file"
            accept="image/jpeg,image/png"
            capture="environment"
            class="visually-hidden"
            @change="file = ($event.target as HTMLInputElement).files?.[0]"
        /></label>
        <BButton type="submit" variant="outline-secondary" :disabled="busy">Keep it</BButton>
      </form>
      <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    </details>
  </div>
</template>

<style scoped>
.pair {
  display: flex;
  gap: 8px 18px;
  flex-wrap: wrap;
  align-items: end;
  padding: 4px 0;
}
.pair > .strong {
  min-width: 110px;
}
figure {
  margin: 0;
}
img {
  display: block;
  width: 150px;
  height: 110px;
  object-fit: cover;
  border-radius: 8px;
}
.row-form > * {
  flex: 1 1 120px;
}
</style>
