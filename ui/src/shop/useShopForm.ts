import { computed, ref, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { loadShop, useShop } from '../shell/shop'

export type Settings = Schemas['ShopSettings']

/** What was usual before anybody compared. */
const COMPARISON = {
  makersInkPer100mL: 6000,
  dedicatedMachine: 45000,
  orderedSheet: 180,
  orderedDays: 6,
  inkedSheet: 120,
}

const form = ref<Settings>()
const kept = ref('')
const version = ref(0)
const problem = ref<Problem>()
const saved = ref(false)
const { shop } = useShop()

function take(now: Schemas['ShopJson']) {
  form.value = { ...(JSON.parse(JSON.stringify(now.settings)) as Settings) }
  form.value.comparison ??= { ...COMPARISON }
  kept.value = JSON.stringify(form.value)
  version.value = now.version
}

const changed = computed(() => form.value !== undefined && JSON.stringify(form.value) !== kept.value)

watch(changed, (now) => {
  if (now) saved.value = false
})

/** Takes what the shop is by now, unless somebody is changing it here. */
watch(
  shop,
  (now) => {
    if (now && !changed.value) take(now)
  },
  { immediate: true },
)

async function save() {
  if (!form.value) return
  const { data, error } = await api.PUT('/api/shop', {
    params: { header: { 'If-Match': `"${version.value}"` } },
    body: form.value,
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    take(data)
    saved.value = true
    await loadShop()
  }
}

/** Lets go of what was typed. */
async function reload() {
  form.value = undefined
  problem.value = undefined
  await loadShop()
}

/** The shop’s settings as they are being changed: one form, whichever part of the page it is seen in. */
export function useShopForm() {
  return { shop, form, changed, saved, problem, save, reload }
}
