<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { asFile } from '../api/upload'
import { oneAtATime } from '../shell/oneAtATime'
import PictureButton from '../shell/PictureButton.vue'
import { useLive } from '../shell/live'
import { useShop } from '../shell/shop'
import { clock, dayAndTime, volume, type VolumeUnit } from '../units/format'
import type { Asked } from './asked'
import { byDays } from './days'
import StrikeDialog from './StrikeDialog.vue'
import { useStrike } from './useStrike'

/** What happened, newest first; every mL can be asked where it went. */
const props = defineProps<{
  asked: Asked
  /** only the newest few, with nothing to do to them */
  most?: number
}>()
const { settings } = useShop()
const unit = computed(() => (settings.value?.volumeUnit ?? 'mL') as VolumeUnit)
const zone = computed(() => settings.value?.zone ?? 'UTC')
const entries = ref<Schemas['EntryJson'][]>()
const older = ref<number>()
const problem = ref('')
const postings = ref<Record<number, Schemas['PostingJson'][]>>({})

/** A screen or two of it; the rest when somebody goes on. */
const STEP = window.matchMedia('(max-width: 700px)').matches ? 15 : 40
const open = ref(STEP)
const days = computed(() => byDays((entries.value ?? []).slice(0, open.value), zone.value))
/** Lines of several entries that are shown one by one. */
const unfolded = ref<Record<number, boolean>>({})
async function goOn() {
  open.value += STEP
  if (older.value && open.value > (entries.value?.length ?? 0)) await load(older.value)
}

let turn = 0
async function load(before?: number) {
  const mine = ++turn
  const { data, error } = await api.GET('/api/log', {
    params: { query: { ...props.asked, before } },
  })
  if (mine !== turn) return
  problem.value = error ? problemOf(error).detail : ''
  if (!data) return
  entries.value = before ? [...(entries.value ?? []), ...data.entries] : data.entries
  older.value = props.most ? undefined : data.older
}
watch(
  () => JSON.stringify(props.asked),
  () => {
    open.value = STEP
    void load()
  },
  { immediate: true },
)
useLive(
  () => ['card/', 'machine/', 'bench', 'shelf'],
  () => load(),
)

const { asking, problem: refused, busy, ask, confirm, leave } = useStrike()

const pictures = ref<Record<number, string[]>>({})
/** What an entry did, and the pictures beside it. */
async function opens(entry: number) {
  if (postings.value[entry]) {
    delete postings.value[entry]
    return
  }
  const params = { path: { entry } }
  const [moved, shown] = await Promise.all([
    api.GET('/api/log/{entry}/postings', { params }),
    api.GET('/api/log/{entry}/photos', { params }),
  ])
  if (shown.data) pictures.value[entry] = shown.data
  if (moved.data) postings.value[entry] = moved.data
}
const { run: addPicture, busy: sending } = oneAtATime(async (entry: number, file: File) => {
  const { data, error } = await api.POST('/api/log/{entry}/photos', { params: { path: { entry } }, ...asFile(file) })
  problem.value = error ? problemOf(error).detail : ''
  if (data) pictures.value[entry] = data
})
function openWords(entry: Schemas['EntryJson']): string {
  if (entry.moved) return volume(entry.moved, unit.value)
  return entry.pictures === 1 ? '1 picture' : entry.pictures ? `${entry.pictures} pictures` : 'Open'
}
</script>

<template>
  <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
  <p v-else-if="!entries" class="quiet loading">Reading the log …</p>
  <p v-else-if="!entries.length" class="quiet">Nothing is written here yet.</p>
  <ol v-else-if="most" class="lines">
    <li v-for="entry in entries.slice(0, most)" :key="entry.id" :class="{ struck: entry.struckOut }">
      <span class="words">{{ entry.words }}</span><span class="quiet small when">{{ dayAndTime(entry.at, zone) }}</span>
    </li>
  </ol>
  <template v-else>
    <section v-for="of in days" :key="of.day" class="day">
      <h3>{{ of.day }}</h3>
      <ol class="log">
        <template v-for="line in of.lines" :key="line.id">
          <li v-if="line.entries.length > 1" :class="{ struck: line.entries[0]?.struckOut }">
            <span class="quiet small when">{{ line.time }}</span>
            <span class="kind small">{{ line.entries[0]?.kind }}</span>
            <span class="words">{{ line.words }}</span>
            <span class="quiet small">{{ line.entries[0]?.person }}</span>
            <span></span>
            <BButton
              size="sm"
              variant="link"
              :aria-expanded="Boolean(unfolded[line.id])"
              @click="unfolded[line.id] = !unfolded[line.id]"
              >{{ unfolded[line.id] ? 'Together' : 'One by one' }}</BButton
            >
          </li>
          <template v-if="line.entries.length === 1 || unfolded[line.id]">
            <li v-for="entry in line.entries" :key="entry.id" :class="{ struck: entry.struckOut }">
              <span class="quiet small when">{{ clock(entry.at, zone) }}</span>
              <span class="kind small">{{ entry.kind }}</span>
              <span class="words">
                <RouterLink v-if="entry.card" :to="`/cards/${entry.card}`">{{ entry.words }}</RouterLink>
                <RouterLink v-else-if="entry.machine && !asked.machine" :to="`/machines/${entry.machine}`">{{
                  entry.words
                }}</RouterLink>
                <template v-else>{{ entry.words }}</template>
                <span v-if="entry.struckOut" class="small strong"> – struck out</span>
              </span>
              <span class="quiet small">{{ entry.person }}</span>
              <BButton
                size="sm"
                variant="link"
                :aria-expanded="Boolean(postings[entry.id])"
                :aria-label="`${openWords(entry)}: what “${entry.words}” did`"
                @click="opens(entry.id)"
                >{{ openWords(entry) }}</BButton
              >
              <BButton
                v-if="entry.strikeable"
                size="sm"
                variant="link"
                :disabled="busy()"
                :aria-label="`Strike out: ${entry.words}`"
                @click="ask(entry.id)"
                >Strike out</BButton
              >
              <span v-else></span>
              <div v-if="postings[entry.id]" class="opened small">
                <p v-if="!postings[entry.id]?.length" class="quiet">It moved no ink.</p>
                <a
                  v-for="picture in pictures[entry.id]"
                  :key="picture"
                  :href="`/api/pictures/${picture}`"
                  target="_blank"
                  rel="noopener"
                  ><img :src="`/api/pictures/${picture}`" alt="Picture beside the entry"
                /></a>
                <PictureButton small variant="link" :busy="sending" @picture="(f) => addPicture(entry.id, f)" />
              </div>
              <ul v-if="postings[entry.id]" class="postings small">
                <li v-for="(posting, i) in postings[entry.id]" :key="i">
                  <span>{{ posting.place }}</span><span class="quiet">{{ posting.what }}</span
                  ><b>{{ posting.mL > 0 ? '+' : '−' }}{{ volume(Math.abs(posting.mL), unit) }}</b>
                </li>
              </ul>
            </li>
          </template>
        </template>
      </ol>
    </section>
    <BButton v-if="older || (entries?.length ?? 0) > open" variant="outline-secondary" @click="goOn">Older</BButton>
  </template>
  <StrikeDialog :preview="asking" :problem="refused" :busy="busy()" @strike="confirm" @leave="leave" />
</template>

<style scoped>
.log {
  list-style: none;
  margin: 0 0 14px;
  padding: 0;
}
.log > li {
  display: grid;
  grid-template-columns: 52px 84px minmax(0, 1fr) 90px 80px 112px;
  gap: 10px;
  align-items: center;
  border-top: 1.5px solid var(--line);
  padding: 4px 0;
  min-height: 46px;
}
.when {
  white-space: nowrap;
}
.kind {
  background: var(--wash);
  border-radius: 7px;
  text-align: center;
  padding: 2px 4px;
}
.day h3 {
  margin: 18px 0 6px;
}
.words a {
  color: var(--text);
  text-decoration: none;
}
.words a:hover,
.words a:focus-visible {
  text-decoration: underline;
}
.struck .words a,
.struck .words {
  text-decoration: line-through;
}
.log .btn {
  white-space: nowrap;
}
.opened {
  grid-column: 3 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.opened p {
  margin: 0;
}
.opened img {
  height: 84px;
  border-radius: 6px;
}
.postings {
  grid-column: 3 / -1;
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
.postings li {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 12px;
}
@media (max-width: 700px) {
  .log > li {
    grid-template-columns: 48px auto minmax(0, 1fr) auto auto;
    gap: 0 10px;
    padding: 6px 0;
  }
  .words {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .kind {
    padding: 0 8px;
  }
  .postings {
    grid-column: 1 / -1;
  }
}
</style>
