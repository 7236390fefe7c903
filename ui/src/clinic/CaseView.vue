<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useShop } from '../shell/shop'
import { api, problemOf } from '../api/client'
import { asFile } from '../api/upload'
import { oneAtATime } from '../shell/oneAtATime'
import PictureButton from '../shell/PictureButton.vue'
import ArrivingPart from '../shell/ArrivingPart.vue'
import PageParts, { type Part } from '../shell/PageParts.vue'
import { dayAndTime } from '../units/format'
import { useCase } from './useCase'

/** One case: who is ill, what must be known before anything is tried, and the parts of its page. */
const route = useRoute()
const { settings } = useShop()
const zone = computed(() => settings.value?.zone ?? 'UTC')
const id = computed(() => Number(route.params.id))
const { found, problem, load } = useCase(() => id.value)
const at = computed(() => `/clinic/${id.value}`)
const parts = computed<Part[]>(() => [
  { to: at.value, label: found.value?.advice ? 'What to do' : 'How it ended' },
  { to: `${at.value}/checks`, label: 'Its checks' },
  { to: `${at.value}/tried`, label: 'Tried so far' },
])
const title = computed(() => {
  const sick = found.value?.channels.filter((c) => c.failing).map((c) => c.channel) ?? []
  return `${found.value?.name ?? ''}${sick.length && sick.length < (found.value?.channels.length ?? 0) ? ` · ${sick.join(' ')}` : ''}`
})
const refused = ref('')
const { run: before, busy } = oneAtATime(async (file: File) => {
  const { error } = await api.POST('/api/cases/{id}/before', { params: { path: { id: id.value } }, ...asFile(file) })
  refused.value = error ? problemOf(error).detail : ''
  if (!error) await load()
})
</script>

<template>
  <div class="page">
    <p v-if="problem" class="notice" role="alert">
      <span>{{ problem }} <button type="button" class="btn btn-link btn-sm" @click="load">Try again</button></span>
    </p>
    <p v-if="!found && !problem" class="quiet">Looking into the case …</p>
    <template v-if="found">
      <header class="head">
        <RouterLink to="/clinic" class="small">Clinic</RouterLink>
        <h1>{{ title }}</h1>
        <span v-for="c in found.complaints" :key="c" class="tag">{{ c }}</span>
        <span class="tag">good for: {{ found.work }}</span>
        <RouterLink :to="`/machines/${found.machine}`" class="small">its page</RouterLink>
        <a class="small" :href="`/api/cases/${found.id}/paper.pdf`">on paper</a>
        <a class="small" :href="`/api/cases/${found.id}`" :download="`case-${found.id}.json`">as a file</a>
      </header>
      <div class="was">
        <a v-if="found.before" :href="`/api/pictures/${found.before}`" target="_blank" rel="noopener"
          ><img :src="`/api/pictures/${found.before}`" alt="How it was before anything was tried"
        /></a>
        <p v-if="found.words" class="quiet">“{{ found.words }}” {{ found.openedBy }}</p>
        <p v-if="!found.before && found.advice && !found.tried.length" class="small">
          Before anything is tried, keep a picture of how it is: all later ones are held against it.
          <PictureButton small :busy="busy" @picture="before">Picture of how it is</PictureButton>
        </p>
        <p v-if="refused" class="act strong small" role="alert">{{ refused }}</p>
      </div>
      <p v-if="found.beside.length" class="notice">
        Fell ill together with {{ found.beside.join(', ') }}: look at the room’s air before any head.
      </p>
      <p v-if="found.drift" class="notice">{{ found.drift }}</p>
      <p v-if="found.provisionalUntil" class="notice" role="status">
        <span
          ><b>The last check is provisional.</b> It came before the rest was over: good now is luck, bad now is no
          verdict. Look again after {{ dayAndTime(found.provisionalUntil, zone) }}.</span
        >
      </p>
      <PageParts :parts="parts" :label="`Parts of ${found.name}’s case`" />
      <ArrivingPart>
        <RouterView v-slot="{ Component }"><component :is="Component" :id="id" :key="id" /></RouterView>
      </ArrivingPart>
    </template>
  </div>
</template>

<style scoped>
.was {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.was img {
  width: 120px;
  height: 64px;
  object-fit: cover;
  border-radius: 8px;
  border: 1.5px solid var(--line);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 10px;
}
</style>
