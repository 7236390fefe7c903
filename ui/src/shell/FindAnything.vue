<script setup lang="ts">
import { BModal } from 'bootstrap-vue-next'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api/client'
import { everything, found, fromServer, type Found } from './finding'
import { useSettled } from './settled'
import { useShop } from './shop'
import TextInput from './TextInput.vue'
import { typedInto } from './typing'

/** One key finds a machine, a case, a card, a bottle or a page by a few letters, and goes there. */
const router = useRouter()
const open = ref(false)
const letters = ref('')
const at = ref(0)
const all = shallowRef<Found[]>([])
const { shop } = useShop()
const asked = useSettled(letters, 200)
const told = shallowRef<Found[]>([])
watch(asked, async (words, _before, onCleanup) => {
  let outdated = false
  onCleanup(() => (outdated = true))
  if (words.trim().length < 3) {
    told.value = []
    return
  }
  const [messages, log] = await Promise.all([
    api.GET('/api/messages', { params: { query: { words } } }),
    api.GET('/api/log', { params: { query: { words } } }),
  ])
  if (!outdated) told.value = fromServer(messages.data ?? [], log.data?.entries ?? [])
})
const shown = computed(() => [
  ...found(all.value, letters.value),
  ...(letters.value.trim().length < 3 ? [] : told.value),
])
watch(letters, () => (at.value = 0))

async function begin() {
  open.value = true
  letters.value = ''
  const [bench, clinic, shelf, jobs] = await Promise.all([
    api.GET('/api/bench'),
    api.GET('/api/clinic'),
    api.GET('/api/shelf/lots'),
    api.GET('/api/jobs'),
  ])
  all.value = everything({
    machines: bench.data?.machines ?? [],
    cases: [...(clinic.data?.open ?? []), ...(clinic.data?.ended ?? [])],
    lots: shelf.data ?? [],
    schools: shop.value?.schools ?? [],
    jobs: [...(jobs.data?.open ?? []), ...(jobs.data?.over ?? [])],
  })
}

async function go(one: Found | undefined) {
  if (!one) return
  open.value = false
  await router.push(one.to)
}

function onKey(event: KeyboardEvent) {
  const wanted = event.key === 'k' && (event.ctrlKey || event.metaKey)
  if (wanted || (event.key === '/' && !typedInto(event.target))) {
    event.preventDefault()
    if (!open.value) void begin()
  }
}
window.addEventListener('keydown', onKey)
onScopeDispose(() => window.removeEventListener('keydown', onKey))

function step(by: number) {
  if (shown.value.length) at.value = (at.value + by + shown.value.length) % shown.value.length
}
const focus = () => document.getElementById('find-letters')?.focus()
</script>

<template>
  <button type="button" class="find" aria-label="Find anything" title="Find anything: press /" @click="begin">
    <svg
      width="20"
      height="20"
      viewBox="0 0 20 20"
      fill="none"
      stroke="currentColor"
      stroke-width="2"
      aria-hidden="true"
    >
      <circle cx="8.5" cy="8.5" r="5" />
      <path d="M12.500 12.500 17 17" stroke-linecap="round" />
    </svg>
    <kbd>/</kbd>
  </button>
  <BModal v-model="open" title="Find anything" no-footer @shown="focus">
    <TextInput
      id="find-letters"
      v-model="letters"
      autocomplete="off"
      role="combobox"
      aria-expanded="true"
      aria-controls="find-list"
      :aria-activedescendant="shown.length ? `find-${at}` : undefined"
      aria-label="A few letters of a machine, case, card, bottle, page, setting, message or entry"
      placeholder="A few letters of whatever it is"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @keydown.enter.prevent="go(shown[at])"
    />
    <ul id="find-list" role="listbox" aria-label="Found">
      <li
        v-for="(one, i) in shown"
        :id="`find-${i}`"
        :key="`${one.to} ${one.name} ${i}`"
        role="option"
        :aria-selected="i === at"
        :class="{ at: i === at }"
        @click="go(one)"
        @mousemove="at = i"
      >
        <span>{{ one.name }}</span><span class="quiet small">{{ one.what }}</span>
      </li>
    </ul>
    <p v-if="letters && !shown.length" class="quiet">
      Nothing here is called like that, and nothing of that name happened.
    </p>
    <p class="quiet small">
      Arrows choose, Enter goes, Esc closes. Opens with <kbd>/</kbd> or <kbd>Ctrl K</kbd>; all keys: <kbd>?</kbd>.
    </p>
  </BModal>
</template>

<style scoped>
.find {
  background: none;
  border: 0;
  color: inherit;
  min-width: 44px;
  height: 44px;
  border-radius: 10px;
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: center;
}
.find kbd {
  background: none;
  color: inherit;
  border: 1.5px solid currentColor;
  border-radius: 5px;
  padding: 0 6px;
  font-size: 0.8rem;
}
ul {
  list-style: none;
  padding: 0;
  margin: 12px 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: 46px;
  padding: 4px 12px;
  border-radius: 10px;
  cursor: pointer;
}
.at {
  background: var(--wash);
  box-shadow: inset 0 0 0 2px var(--rim);
}
@media (max-width: 900px) {
  .find kbd {
    display: none;
  }
}
</style>
