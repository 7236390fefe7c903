<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { Problem, Schemas } from '../api/client'
import CombEntry from '../benches/CombEntry.vue'
import KeyVault from '../benches/KeyVault.vue'
import SendPicture from '../checks/SendPicture.vue'
import { volume, type VolumeUnit } from '../units/format'
import CountCell from './CountCell.vue'
import GridAsk from './GridAsk.vue'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** Whatever a step wants to be told. */
const props = defineProps<{
  step: Schemas['StepJson']
  lots: Schemas['LotJson'][]
  bottles: Schemas['LotJson'][]
  syringes: Record<string, Schemas['OfferedTool'][]>
  cameIn?: Record<string, string> | undefined
  machine: number
  unit: VolumeUnit
  locked: boolean
  lastPicks: Record<string, number>
  problem?: Problem
}>()
const emit = defineEmits<{
  enter: [cell: string, value: string]
  enterAll: [cells: Record<string, string>]
  photo: [file: File]
}>()

const entries = computed(() => props.step.entries)
const file = ref<HTMLInputElement>()
const photos = computed(() => props.step.notes.filter((n) => n.picture))

function lotsFor(channel: string) {
  return [
    { value: '', text: 'Choose the bottle' },
    ...props.lots
      .filter((l) => l.channel === channel || !props.lots.some((o) => o.channel === channel))
      .map((l) => ({
        value: String(l.id),
        text: `${l.channel} · ${l.label} · ${volume(l.left, props.unit)}${l.opened ? ' · open' : ''}`,
      })),
    ...props.lots
      .filter((l) => l.channel !== channel)
      .map((l) => ({ value: String(l.id), text: `other: ${l.channel} · ${l.label}` })),
  ]
}
function sentence(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
function complaint(cell: string): string | undefined {
  return props.problem?.errors?.find((e) => e.field === cell)?.detail
}
function missing(channel: string): number[] | undefined {
  const entry = entries.value[channel]
  return entry === undefined ? undefined : entry === 'none' ? [] : entry.split(',').map(Number)
}
/** What a picture showed goes into the combs; what it did not show is left to be tapped. */
function fromPicture(reading: Schemas['ReadingJson']) {
  const read = reading.looks.filter(
    (l) => !l.unreadable && !l.unseen.length && props.step.ask.channels?.includes(l.channel),
  )
  if (read.length)
    emit('enterAll', Object.fromEntries(read.map((l) => [l.channel, l.missing.length ? l.missing.join(',') : 'none'])))
}
function combTapped(channel: string, teeth: number[] | undefined) {
  emit('enter', channel, !teeth ? '' : teeth.length ? teeth.join(',') : 'none')
}
function sent(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files?.[0]) emit('photo', input.files[0])
  input.value = ''
}
</script>

<template>
  <div class="ask">
    <ul v-if="step.ask.kind === 'Ticks'" class="ticks">
      <li v-if="step.ask.words" class="quiet lead">{{ step.ask.words }}</li>
      <li v-for="(item, i) in step.ask.items" :key="item">
        <button
          type="button"
          class="tick"
          :class="{ done: entries[`item/${i}`] }"
          :aria-pressed="Boolean(entries[`item/${i}`])"
          :disabled="locked || (!!step.ask.words && step.ask.items.slice(0, i).some((_, b) => !entries[`item/${b}`]))"
          @click="emit('enter', `item/${i}`, entries[`item/${i}`] ? '' : 'yes')"
        >
          <span class="box" aria-hidden="true">{{ entries[`item/${i}`] ? '✓' : '' }}</span>{{ item }}
        </button>
      </li>
    </ul>
    <button
      v-else-if="step.ask.kind === 'Acknowledge'"
      type="button"
      class="tick"
      :class="{ done: entries.agreed }"
      :aria-pressed="Boolean(entries.agreed)"
      :disabled="locked"
      @click="emit('enter', 'agreed', entries.agreed ? '' : 'yes')"
    >
      <span class="box" aria-hidden="true">{{ entries.agreed ? '✓' : '' }}</span>{{ step.ask.words }}
    </button>
    <div v-else-if="step.ask.kind === 'Each'" class="each">
      <p class="strong">{{ step.ask.words }}</p>
      <div v-for="(item, i) in step.ask.items" :key="item" class="of" role="radiogroup" :aria-label="item">
        <b class="code">{{ item }}</b>
        <span class="answers">
          <button
            v-for="answer in step.ask.answers"
            :key="answer"
            type="button"
            role="radio"
            class="tick"
            :class="{ done: entries[`each/${i}`] === answer }"
            :aria-checked="entries[`each/${i}`] === answer"
            :disabled="locked"
            @click="emit('enter', `each/${i}`, entries[`each/${i}`] === answer ? '' : answer)"
          >
            {{ answer }}
          </button>
        </span>
        <p v-if="complaint(`each/${i}`)" class="act strong small" role="alert">{{ complaint(`each/${i}`) }}</p>
      </div>
    </div>
    <div v-else-if="step.ask.kind === 'Tally'" class="tally">
      <p class="strong">{{ step.ask.words }}</p>
      <CountCell
        v-for="(part, i) in step.ask.items"
        :id="`part-${i}`"
        :key="part"
        :label="part"
        :value="entries[`part/${i}`]"
        :locked="locked"
        :problem="complaint(`part/${i}`)"
        @enter="(v) => emit('enter', `part/${i}`, v)"
      />
    </div>
    <CountCell
      v-else-if="step.ask.kind === 'Count'"
      id="count"
      :label="`${step.ask.words}, ${step.ask.expected} expected`"
      :value="entries.count"
      :locked="locked"
      :problem="complaint('count')"
      @enter="(v) => emit('enter', 'count', v)"
    />
    <GridAsk
      v-else-if="step.ask.kind === 'Grid'"
      :step="step"
      :bottles="bottles"
      :syringes="syringes"
      :came-in="cameIn"
      :problem="problem"
      :unit="unit"
      :locked="locked"
      @enter="(c, v) => emit('enter', c, v)"
      @enter-all="(cells) => emit('enterAll', cells)"
    />
    <div v-else-if="step.ask.kind === 'Words'" class="words">
      <label for="words">{{ sentence(step.ask.words) }}</label>
      <TextInput
        id="words"
        :model-value="entries.words ?? ''"
        size="lg"
        :disabled="locked"
        @change="(e: Event) => emit('enter', 'words', (e.target as HTMLInputElement).value)"
      />
    </div>
    <div v-else-if="step.ask.kind === 'Choice'">
      <p class="strong">{{ step.ask.words }}</p>
      <ul class="ticks choice">
        <li v-for="item in step.ask.items" :key="item">
          <button
            type="button"
            class="tick"
            :class="{ done: entries.choice === item }"
            :aria-pressed="entries.choice === item"
            :disabled="locked"
            @click="emit('enter', 'choice', entries.choice === item ? '' : item)"
          >
            <span class="box" aria-hidden="true">{{ entries.choice === item ? '✓' : '' }}</span>{{ item }}
          </button>
        </li>
      </ul>
    </div>
    <div v-else-if="step.ask.kind === 'InOrder'">
      <p class="quiet">In this order, {{ step.ask.words }}:</p>
      <ol class="ticks">
        <li v-for="(channel, i) in step.ask.channels" :key="channel">
          <button
            type="button"
            class="tick"
            :class="{ done: entries[channel], next: channel === step.ask.channels.find((c) => !entries[c]) && !locked }"
            :aria-pressed="Boolean(entries[channel])"
            :disabled="locked || (!entries[channel] && step.ask.channels.slice(0, i).some((c) => !entries[c]))"
            @click="emit('enter', channel, entries[channel] ? '' : 'yes')"
          >
            <span class="box" aria-hidden="true">{{ entries[channel] ? '✓' : i + 1 }}</span><b>{{ channel }}</b>
          </button>
        </li>
      </ol>
    </div>
    <div v-else-if="step.ask.kind === 'Picks'" class="picks">
      <p class="quiet">{{ step.ask.words }}</p>
      <div
        v-for="(pattern, i) in step.ask.items"
        :key="pattern"
        class="pattern"
        role="radiogroup"
        :aria-label="pattern"
      >
        <span class="pattern-name"
          ><b>{{ pattern }}</b>
          <span v-if="lastPicks[pattern]" class="small quiet">last time {{ lastPicks[pattern] }}</span></span
        >
        <span class="squares">
          <button
            v-for="square in step.ask.expected"
            :key="square"
            type="button"
            role="radio"
            class="square"
            :class="{ done: entries[`pick/${i}`] === String(square), last: lastPicks[pattern] === square }"
            :aria-checked="entries[`pick/${i}`] === String(square)"
            :disabled="locked"
            @click="emit('enter', `pick/${i}`, String(square))"
          >
            {{ square }}
          </button>
        </span>
      </div>
    </div>
    <KeyVault v-else-if="step.ask.kind === 'KeyStored'" :machine="machine" />
    <div v-else-if="step.ask.kind === 'Lots'" class="lots">
      <div v-for="channel in step.ask.channels" :key="channel" class="lot">
        <b class="code">{{ channel }}</b>
        <div>
          <Choice
            :model-value="entries[channel] ?? ''"
            :options="lotsFor(channel)"
            :aria-label="`Bottle for ${channel}`"
            :disabled="locked"
            :class="{ 'is-invalid': complaint(channel), 'is-valid': !complaint(channel) && entries[channel] }"
            @update:model-value="(v) => emit('enter', channel, String(v ?? ''))"
          />
          <p v-if="complaint(channel)" class="act strong small" role="alert">{{ complaint(channel) }}</p>
        </div>
      </div>
      <p class="small quiet">
        Not there? <RouterLink to="/shelf">Enter it on the shelf</RouterLink>, then come back: this card waits.
      </p>
    </div>
    <div v-else-if="step.ask.kind === 'Comb'" class="combs">
      <SendPicture v-if="!locked" :machine="machine" :keep="false" small @read="fromPicture" />
      <CombEntry
        v-for="(channel, i) in step.ask.channels"
        :key="channel"
        :code="channel"
        :nozzles="step.ask.nozzles[i] ?? 1"
        :model-value="missing(channel)"
        @update:model-value="(teeth) => combTapped(channel, teeth)"
      />
      <BButton
        variant="outline-secondary"
        @click="emit('enterAll', Object.fromEntries(step.ask.channels.map((c) => [c, 'none'])))"
        >All whole</BButton
      >
    </div>
    <p v-else-if="step.ask.kind === 'Photo' && !photos.length" class="quiet">No photo on this step yet.</p>
    <ul v-if="photos.length" class="photos">
      <li v-for="photo in photos" :key="photo.picture">
        <img :src="`/api/pictures/${photo.picture}`" :alt="`Photo by ${photo.person}`" />
      </li>
    </ul>
    <input
      ref="file"
      type="file"
      accept="image/jpeg,image/png"
      capture="environment"
      class="visually-hidden"
      tabindex="-1"
      aria-label="Photo"
      @change="sent"
    />
    <BButton v-if="step.ask.kind === 'Photo' && !locked" variant="outline-secondary" size="lg" @click="file?.click()"
      >Take a photo</BButton
    >
    <p v-if="complaint('picture')" class="act strong" role="alert">{{ complaint('picture') }}</p>
  </div>
</template>

<style scoped>
.pattern {
  display: flex;
  gap: 8px 16px;
  flex-wrap: wrap;
  align-items: center;
  margin-bottom: 12px;
}
.pattern-name {
  width: 170px;
}
.pattern-name span {
  display: block;
}
.squares {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.square {
  width: 52px;
  height: 52px;
  border: 2px solid var(--line);
  border-radius: 8px;
  background: var(--ground);
  color: var(--text);
  font-weight: 650;
}
.tick.next {
  border-color: var(--act);
}
.square.last {
  border-style: dashed;
  border-color: var(--rim);
}
.square.done {
  background: var(--band);
  border-color: var(--band);
  color: var(--band-text);
}
.ask {
  margin-bottom: 14px;
}
.ticks {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 8px;
}
.tick {
  width: 100%;
  min-height: 64px;
  display: flex;
  gap: 14px;
  align-items: center;
  text-align: left;
  border: 2px solid var(--line);
  border-radius: 10px;
  background: var(--ground);
  color: var(--text);
  padding: 8px 14px;
  font-size: 1.05rem;
}
.tick.done {
  background: var(--wash);
  border-color: var(--rim);
}
.box {
  flex: none;
  width: 30px;
  height: 30px;
  border: 2.5px solid var(--rim);
  border-radius: 7px;
  text-align: center;
  line-height: 26px;
  font-weight: 700;
}
.words {
  max-width: 520px;
}
.lead {
  grid-column: 1 / -1;
}
.of {
  display: grid;
  grid-template-columns: minmax(60px, 200px) minmax(0, 1fr);
  gap: 6px 14px;
  align-items: center;
  margin-bottom: 10px;
}
.of > p {
  grid-column: 2;
  margin: 0;
}
.answers {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 8px;
}
.tally {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: 6px 24px;
}
.tally > p {
  grid-column: 1 / -1;
  margin: 0;
}
@media (max-width: 600px) {
  .of {
    grid-template-columns: minmax(0, 1fr);
  }
  .of > p {
    grid-column: 1;
  }
}
.lot {
  display: grid;
  grid-template-columns: 50px minmax(0, 1fr);
  align-items: center;
  margin-bottom: 8px;
}
.lot select {
  min-height: 56px;
}
.code {
  font-size: 1.3rem;
}
.combs {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: stretch;
}
.combs > button {
  align-self: flex-start;
}
.photos {
  list-style: none;
  padding: 0;
  margin: 10px 0;
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.photos img {
  height: 120px;
  border-radius: 10px;
}
</style>
