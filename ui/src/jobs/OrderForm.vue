<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { asFile } from '../api/upload'
import { oneAtATime } from '../shell/oneAtATime'
import Choice from '../shell/Choice.vue'
import DateInput from '../shell/DateInput.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import NumberInput from '../shell/NumberInput.vue'
import PictureButton from '../shell/PictureButton.vue'
import TextBlock from '../shell/TextBlock.vue'
import TextInput from '../shell/TextInput.vue'
import Tick from '../shell/Tick.vue'
import TimeInput from '../shell/TimeInput.vue'
import { inLength } from '../units/format'
import { useUnits } from '../units/useUnits'
import { emptyPiece, usualMedia, type Typed, type TypedPiece } from './order'
import type { JobWords } from './useJob'

/** What is ordered: for whom, what is cut out of which picture, on what, and how hot it is pressed. */
const order = defineModel<Typed>({ required: true })
const props = defineProps<{ words: JobWords; problem: Problem | undefined; currency: string }>()
const { lengths } = useUnits()
const times = computed(() => inLength(1, lengths.value))
const artworks = ref<Schemas['Art'][]>([])
const refused = ref<Problem>()
onMounted(async () => {
  const { data } = await api.GET('/api/artworks')
  artworks.value = data ?? []
})
const options = computed(() => [
  { value: 0, text: 'none yet: a frame' },
  ...artworks.value.map((a) => ({ value: a.id, text: a.name })),
])
const named = <T extends string>(all: { id: T; label: string }[]) => all.map((w) => ({ value: w.id, text: w.label }))
const presets = computed(() => [
  { value: '', text: 'none' },
  ...props.words.presets.filter((p) => p.family === order.value.ink).map((p) => ({ value: p.name, text: p.name })),
])
const blanks = computed(() => [
  { value: 0, text: 'not counted' },
  ...props.words.blanks.map((b) => ({ value: b.id, text: `${b.label} (${b.count})` })),
])
watch(
  () => order.value.ink,
  (ink) => (order.value.media = usualMedia(ink)),
)
/** The pack's values come along with what it is printed with. */
watch(
  () => order.value.preset,
  (name) => {
    const preset = props.words.presets.find((p) => p.name === name)
    if (preset?.pressC) order.value.pressC = preset.pressC
    if (preset?.pressS) order.value.pressS = preset.pressS
  },
)
const { run: keep, busy } = oneAtATime(async (piece: TypedPiece, file: File) => {
  const { data, error } = await api.POST('/api/artworks', {
    params: { query: { name: file.name.replace(/\.[a-z]+$/i, '') } },
    ...asFile(file),
  })
  refused.value = error ? problemOf(error) : undefined
  if (!data) return
  if (!artworks.value.some((a) => a.id === data.id)) artworks.value.unshift(data)
  piece.artwork = data.id
  piece.label = piece.label || data.name
  piece.width = Math.round((data.widthMm || piece.width) * 10) / 10
  piece.height = Math.round((data.heightMm || (piece.width * data.height) / data.width) * 10) / 10
})
const of = (piece: TypedPiece) => artworks.value.find((a) => a.id === piece.artwork)
/** Dots for an inch at the size it is printed. */
const dots = (piece: TypedPiece, art: Schemas['Art']) => Math.round(art.width / (piece.width / 25.4))
</script>

<template>
  <div class="order">
    <div class="grid">
      <label
        >For whom <TextInput v-model="order.customer" maxlength="80" /><FieldProblem :problem field="customer"
      /></label>
      <label>What <TextInput v-model="order.what" maxlength="80" /><FieldProblem :problem field="what" /></label>
      <label>Wanted on <DateInput v-model="order.date" /><FieldProblem :problem field="due" /></label>
      <label>at <TimeInput v-model="order.time" /></label>
      <label>With <Choice v-model="order.ink" :options="named(words.families)" /></label>
      <label
        >On <Choice v-model="order.substrate" :options="named(words.substrates)" /><FieldProblem
          :problem
          field="substrate"
      /></label>
    </div>
    <div class="ticks">
      <div><Tick v-model="order.dark">its ground is dark</Tick></div>
      <div><Tick v-model="order.photo">it is a photo, not areas of colour</Tick></div>
    </div>
    <fieldset v-for="(p, i) in order.pieces" :key="i" class="kind">
      <legend class="visually-hidden">Piece {{ i + 1 }}</legend>
      <div class="piece">
        <img v-if="p.artwork" :src="`/api/artworks/${p.artwork}/small`" :alt="of(p)?.name ?? 'artwork'" />
        <div v-else class="none small quiet">no picture</div>
        <div class="grid small-grid">
          <label>Name <TextInput v-model="p.label" maxlength="60" /></label>
          <label>How many <NumberInput v-model="p.count" lazy /></label>
          <label>Wide, {{ lengths }} <NumberInput v-model="p.width" :times="times" lazy /></label>
          <label>High, {{ lengths }} <NumberInput v-model="p.height" :times="times" lazy /></label>
          <label>How it may lie <Choice v-model="p.turning" :options="named(words.turnings)" /></label>
          <label>Artwork <Choice v-model="p.artwork" :options="options" /></label>
        </div>
        <div class="acts">
          <PictureButton small :busy="busy" any @picture="(f: File) => keep(p, f)"
            >Send a PNG, JPEG, TIFF or PDF</PictureButton
          >
          <BButton v-if="order.pieces.length > 1" size="sm" variant="link" @click="order.pieces.splice(i, 1)"
            >Leave it out</BButton
          >
        </div>
        <p v-if="of(p)" class="small quiet said">
          {{ of(p)!.width }} × {{ of(p)!.height }} pixels, {{ dots(p, of(p)!) }} for an inch at this size{{
            dots(p, of(p)!) < 150 ? ': coarse, ask for a larger one' : ''
          }}; {{ of(p)!.transparent ? 'some of it is bare' : 'nothing of it is bare'
          }}{{ order.ink === 'FILM' && !of(p)!.transparent ? ': white would lie under the whole rectangle' : '' }};
          colour profile: {{ of(p)!.profile || 'none, taken as sRGB' }}.
        </p>
      </div>
    </fieldset>
    <FieldProblem :problem="refused" field="picture" />
    <FieldProblem :problem field="pieces" />
    <BButton size="sm" variant="link" @click="order.pieces.push(emptyPiece())">Another piece</BButton>
    <div class="grid">
      <label
        >Printed on <Choice v-model="order.media" :options="words.media.map((m) => m.name)" /><FieldProblem
          :problem
          field="media"
      /></label>
      <label>Between pieces, {{ lengths }} <NumberInput v-model="order.gap" :times="times" lazy /></label>
      <label>Product’s preset <Choice v-model="order.preset" :options="presets" /></label>
      <label>A blank costs, {{ currency }} <NumberInput v-model="order.blank" :currency="currency" lazy /></label>
      <label>Blanks on the shelf <Choice v-model="order.blankArticle" :options="blanks" /></label>
      <label
        >Press, °C, off the pack <NumberInput v-model="order.pressC" lazy /><FieldProblem :problem field="celsius"
      /></label>
      <label>Press, seconds <NumberInput v-model="order.pressS" lazy /><FieldProblem :problem field="seconds" /></label>
      <template v-if="order.ink === 'FILM'">
        <label>Cure, °C, off the pack <NumberInput v-model="order.cureC" lazy /></label>
        <label>Cure, seconds <NumberInput v-model="order.cureS" lazy /></label>
      </template>
    </div>
    <p v-if="order.blankArticle" class="small quiet">
      Tried blanks are taken from “{{ words.blanks.find((b) => b.id === order.blankArticle)?.label }}, blemished” on the
      shelf, and spoiled ones go there, if there is such an article.
    </p>
    <label class="notes">Notes <TextBlock v-model="order.notes" rows="2" maxlength="1000" /></label>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 10px 14px;
  margin: 8px 0;
}
.grid > label,
.notes {
  display: grid;
  gap: 3px;
  align-content: start;
}
.ticks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  margin: 8px 0;
}
.kind {
  border-top: 1.5px solid var(--line);
  padding: 10px 0 6px;
}
.piece {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 4px 16px;
}
.piece img,
.none {
  width: 96px;
  height: 96px;
  object-fit: contain;
  background: var(--wash);
  border-radius: 8px;
}
.none {
  display: grid;
  place-items: center;
}
.small-grid {
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  margin: 0;
}
.acts,
.said {
  grid-column: 2;
  margin: 0;
}
@media (max-width: 600px) {
  .piece {
    grid-template-columns: minmax(0, 1fr);
  }
  .small-grid,
  .grid {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .acts,
  .said {
    grid-column: 1;
  }
  .none {
    display: none;
  }
}
</style>
