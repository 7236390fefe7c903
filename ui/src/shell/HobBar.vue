<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, onMounted, onScopeDispose, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { countdown } from '../units/format'
import { useLive } from './live'
import { oneAtATime } from './oneAtATime'
import { serverNow, useShop } from './shop'
import { allowWhistle, notificationsPossible, whistle, whistleAllowed } from './whistle'
import TextInput from './TextInput.vue'
import NumberInput from './NumberInput.vue'

const router = useRouter()
const waits = ref<Schemas['Wait'][]>([])
const now = ref(serverNow())
const adding = ref(false)
/** waits that have room beside each other at a desk, and on a phone; the rest are behind a sign that counts them */
const DESK = 5
const HAND = 2
const all = ref(false)
const form = reactive({ label: '', minutes: 10 })
const problem = ref('')

const next = ref<Schemas['Next'][]>([])
async function load() {
  const [hob, cards] = await Promise.all([api.GET('/api/hob'), api.GET('/api/cards/next')])
  if (hob.data) waits.value = hob.data
  if (cards.data) next.value = cards.data
}
onMounted(load)
useLive(() => ['hob', 'card/'], load)
const ticking = setInterval(() => (now.value = serverNow()), 1000)
onScopeDispose(() => clearInterval(ticking))
watch(useShop().shop, () => (now.value = serverNow()))

const SOON = 120_000 // ms before a soak dries

const pots = computed(() =>
  waits.value.map((wait) => {
    const left = new Date(wait.readyAt).getTime() - now.value
    const late = wait.lateAt ? new Date(wait.lateAt).getTime() - now.value : undefined
    const state = left <= 0 ? (late !== undefined && late <= 0 ? 'too late' : 'ready') : countdown(left)
    return {
      wait,
      ready: left <= 0,
      state,
      useWithin: left <= 0 && late !== undefined && late > 0 ? countdown(late) : '',
      drying: left <= 0 && late !== undefined && late > 0 && late <= SOON,
    }
  }),
)

/** While cards wait, the one whose hands are free: what it wants next, and how long that takes. */
const meanwhile = computed(() => {
  const running = pots.value.some((p) => p.wait.card && !p.ready)
  return running ? next.value.find((n) => !n.waitOver || new Date(n.waitOver).getTime() <= now.value) : undefined
})

const whistled = new Set<number>()
const warned = new Set<number>()
watch(
  pots,
  (all) => {
    for (const pot of all) {
      if (pot.ready && !whistled.has(pot.wait.id)) {
        whistled.add(pot.wait.id)
        whistle(`${pot.wait.machineName ?? ''} ${pot.wait.label}: ready`)
      }
    }
    for (const pot of all.filter((p) => p.drying && !warned.has(p.wait.id))) {
      warned.add(pot.wait.id)
      whistle(`${pot.wait.machineName ?? ''} ${pot.wait.label}: dries in ${pot.useWithin}`)
    }
    const ready = all.filter((p) => p.ready).length
    document.title = document.title.replace(/^\(\d+\) /, '')
    if (ready) document.title = `(${ready}) ${document.title}`
  },
  { immediate: true },
)

async function open(wait: Schemas['Wait']) {
  if (wait.card) {
    await router.push(`/cards/${wait.card}`)
    return
  }
  const { data } = await api.DELETE('/api/hob/{wait}', { params: { path: { wait: wait.id } } })
  if (data) waits.value = data
}

const { run: add } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/hob', { body: { label: form.label, minutes: form.minutes } })
  if (error) {
    problem.value = problemOf(error).detail
    return
  }
  problem.value = ''
  form.label = ''
  adding.value = false
  waits.value = data
})
</script>

<template>
  <footer class="hob" aria-label="On the hob: running waits">
    <span class="title">On the hob</span>
    <ul :class="{ all }">
      <li v-if="!pots.length" class="nothing">nothing waits</li>
      <li v-for="pot in pots" :key="pot.wait.id">
        <button
          type="button"
          class="pot"
          :class="{ ready: pot.ready }"
          :title="pot.wait.card ? 'To its card' : 'Take it off the hob'"
          @click="open(pot.wait)"
        >
          <svg
            width="22"
            height="22"
            viewBox="0 0 30 30"
            fill="none"
            stroke="currentColor"
            stroke-width="2.3"
            stroke-linecap="round"
            stroke-linejoin="round"
            aria-hidden="true"
          >
            <path d="M6 14h15l1.500 11h-18zM21.500 17c3 0 4-3 6.500-3" />
            <path v-if="pot.ready" d="M9 10c0-3 2-3 2-6M15 10c0-3 2-3 2-6" />
          </svg>
          <span class="what"
            ><b v-if="pot.wait.machineName">{{ pot.wait.machineName }}</b> {{ pot.wait.label }}</span
          >
          <b class="left">{{ pot.state }}</b>
          <span v-if="pot.useWithin" class="left">use within {{ pot.useWithin }}</span>
        </button>
      </li>
    </ul>
    <button
      v-for="most in [DESK, HAND]"
      v-show="pots.length > most || all"
      :key="most"
      type="button"
      class="plain"
      :class="most === DESK ? 'at-desk' : 'in-hand'"
      :aria-expanded="all"
      @click="all = !all"
    >
      {{ all ? 'Fewer' : `+ ${pots.length - most} waiting` }}
    </button>
    <RouterLink v-if="meanwhile" class="plain meanwhile" :to="`/cards/${meanwhile.card}`"
      >meanwhile <b>{{ meanwhile.machineName }}</b>: {{ meanwhile.title }}, {{ meanwhile.minutes }} min</RouterLink
    >
    <button
      v-if="!whistleAllowed"
      type="button"
      class="plain"
      aria-label="Let it whistle"
      :title="notificationsPossible() ? 'Sound and notifications' : 'Sound only: notifications need a secure address'"
      @click="allowWhistle"
    >
      <span class="wide">Let it </span>whistle
    </button>
    <button type="button" class="plain" aria-label="+ New wait" @click="adding = true">
      +<span class="wide"> New wait</span>
    </button>
  </footer>
  <BModal v-model="adding" title="Put a wait on the hob" no-footer centered>
    <form novalidate @submit.prevent="add">
      <label for="wait-label">What is waiting?</label>
      <TextInput id="wait-label" v-model="form.label" class="mb-3" placeholder="Soak, cap of Bramble" />
      <label for="wait-minutes">For how many minutes?</label>
      <NumberInput id="wait-minutes" v-model="form.minutes" class="mb-3" />
      <p v-if="problem" class="act strong" role="alert">{{ problem }}</p>
      <BButton type="submit" variant="primary">Put it on</BButton>
    </form>
  </BModal>
</template>

<style scoped>
.hob {
  position: fixed;
  inset: auto 0 0 0;
  z-index: 900;
  min-height: var(--hob);
  background: var(--band-deep);
  color: var(--band-text);
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 20px;
}
.title {
  font:
    600 1rem 'Besley Variable',
    serif;
  white-space: nowrap;
}
ul {
  list-style: none;
  display: flex;
  gap: 10px;
  margin: 0;
  padding: 6px 3px;
  flex: 1;
  min-width: 0;
}
ul.all {
  flex-wrap: wrap;
}
ul:not(.all) li:nth-child(n + 6),
.in-hand {
  display: none;
}
li {
  min-width: 96px;
}
.what {
  overflow: hidden;
  text-overflow: ellipsis;
}
.left {
  flex: none;
}
.nothing {
  color: var(--band-quiet);
}
.pot {
  max-width: 100%;
  display: flex;
  gap: 9px;
  align-items: center;
  border: 0;
  border-radius: 10px;
  padding: 7px 12px;
  min-height: 46px;
  background: var(--pot);
  color: var(--band-text);
  white-space: nowrap;
}
.pot.ready {
  background: #fbe7d9;
  color: #1b2433;
}
.pot.ready svg {
  color: #b03420;
}
.plain {
  background: none;
  border: 0;
  color: var(--band-quiet);
  min-height: 44px;
  white-space: nowrap;
}
.meanwhile {
  color: var(--band-text);
  text-decoration: none;
  display: flex;
  gap: 5px;
  align-items: center;
  max-width: 380px;
  overflow: hidden;
}
.hob :focus-visible {
  outline-color: #fff;
}
@media (max-width: 900px) {
  .hob {
    bottom: var(--places);
    padding: 0 10px;
    gap: 8px;
  }
  .title,
  .meanwhile,
  .nothing {
    display: none;
  }
}
@media (max-width: 520px) {
  .hob svg,
  .wide,
  .at-desk,
  ul:not(.all) li:nth-child(n + 3) {
    display: none;
  }
  .in-hand {
    display: block;
  }
  ul {
    gap: 6px;
  }
  ul:not(.all) li {
    flex: 1 1 0;
  }
  .pot {
    width: 100%;
    flex-direction: column;
    align-items: stretch;
    gap: 0;
    padding: 4px 9px;
    line-height: 1.2;
    text-align: left;
  }
  .what {
    font-size: 0.8rem;
  }
  .plain {
    padding: 0 4px;
    min-width: 44px;
  }
}
</style>
