<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'
import { useClinicWords, type Case, type Said } from './useCase'

/** Not what was advised: a card for it, or done already. Either way it is evidence. */
const props = defineProps<{ found: Case }>()
const emit = defineEmits<{ say: [said: Said] }>()
const shown = defineModel<boolean>({ required: true })

const words = useClinicWords()
const router = useRouter()
const picked = ref<Schemas['TreatmentJson']>()
const channels = ref<string[]>([])
const problem = ref<string>()
const anyway = ref('')
const rule = computed(() => props.found.rules.find((r) => r.treatment === picked.value?.treatment))
const ready = computed(() => picked.value && !rule.value?.never && (!picked.value.perChannel || channels.value.length))

function pick(t: Schemas['TreatmentJson']) {
  picked.value = t
  anyway.value = ''
  problem.value = undefined
  channels.value = t.perChannel ? props.found.channels.filter((c) => c.failing).map((c) => c.channel) : []
}
const toggle = (code: string) =>
  (channels.value = channels.value.includes(code)
    ? channels.value.filter((c) => c !== code)
    : [...channels.value, code])

const { run: card, busy } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/cases/{id}/card', {
    params: { path: { id: props.found.id } },
    body: { treatment: picked.value!.treatment, channels: channels.value, anyway: anyway.value || undefined },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) void router.push(`/cards/${data.card}`)
})
function done() {
  const all = picked.value!.perChannel ? channels.value : props.found.channels.map((c) => c.channel)
  emit('say', { kind: 'DONE', treatment: picked.value!.treatment, channels: all })
  shown.value = false
}
</script>

<template>
  <BModal v-model="shown" title="Something else" no-footer centered size="lg" @hidden="picked = undefined">
    <div v-if="!picked" class="grid">
      <BButton v-for="t in words?.treatments" :key="t.treatment" variant="outline-secondary" @click="pick(t)">{{
        t.label
      }}</BButton>
      <BButton variant="outline-secondary" @click="(emit('say', { kind: 'PARTED' }), (shown = false))"
        >Liquid at the plate’s side</BButton
      >
    </div>
    <div v-else>
      <p>
        <b>{{ picked.label }}</b>: {{ picked.why }}.
        <BButton variant="link" size="sm" @click="picked = undefined">another</BButton>
      </p>
      <p v-if="rule" class="notice small">{{ rule.why }}</p>
      <div v-if="picked.perChannel" class="chips" role="group" aria-label="Channels">
        <button
          v-for="c in found.channels"
          :key="c.channel"
          type="button"
          class="code chip"
          :class="{ on: channels.includes(c.channel) }"
          :aria-pressed="channels.includes(c.channel)"
          @click="toggle(c.channel)"
        >
          {{ c.channel }}
        </button>
      </div>
      <template v-if="rule && !rule.never">
        <label for="anyway">Why all the same?</label>
        <input id="anyway" v-model="anyway" class="form-control why" maxlength="500" />
      </template>
      <div class="two">
        <BButton variant="primary" size="lg" :disabled="!ready || busy || (rule && !anyway.trim())" @click="card"
          >Open the card</BButton
        >
        <BButton variant="outline-secondary" size="lg" :disabled="!ready" @click="done">It is done already</BButton>
      </div>
      <p v-if="problem" class="act strong small" role="alert">{{ problem }}</p>
    </div>
  </BModal>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 10px;
}
.grid .btn {
  min-height: 52px;
}
.why {
  margin-bottom: 12px;
}
.two {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.two .btn {
  flex: 1 1 200px;
}
</style>
