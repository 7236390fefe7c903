<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import type { Schemas } from '../api/client'
import Tick from '../shell/Tick.vue'
import { canSpeak, doneKey, readsAloud, speak, useDoneKey } from './handsFree'

/** A key or a pedal says “Done”, and the step is read aloud: for hands that are in gloves. */
const props = defineProps<{
  step: Schemas['StepJson']
  /** whether the step can be said to be done just now */
  ready: boolean
  /** why it was refused */
  refused?: string | undefined
}>()
const emit = defineEmits<{ done: [] }>()

const AGAIN = 6000 // ms in which a step without a way back wants the key once more
const learning = ref(false)
const warned = ref<string>()
let warnedAt = 0

useDoneKey(learning, () => {
  if (!props.ready) return
  if (props.step.irreversible && (warned.value !== props.step.id || Date.now() - warnedAt > AGAIN)) {
    warned.value = props.step.id
    warnedAt = Date.now()
    if (readsAloud.value) speak(`No way back. ${props.step.irreversible} Press once more.`)
    return
  }
  warned.value = undefined
  emit('done')
})

const keyName = computed(() => doneKey.value.replace(/^(Key|Digit)/, '').replace(/([a-z])([A-Z])/g, '$1 $2'))

const words = computed(() =>
  [
    props.step.title,
    props.step.say,
    props.step.irreversible && `No way back. ${props.step.irreversible}`,
    props.step.hold && `Hold here. ${props.step.hold}`,
  ]
    .filter(Boolean)
    .join('. '),
)
watch(
  () => [props.step.id, readsAloud.value] as const,
  ([, aloud]) => speak(aloud ? words.value : ''),
  { immediate: true },
)
watch(
  () => props.refused,
  (why) => {
    if (why && readsAloud.value) speak(why)
  },
)
onBeforeUnmount(() => speak(''))
</script>

<template>
  <p v-if="warned === step.id" class="notice" role="alert"><b>No way back.</b> Press the key once more to go on.</p>
  <details class="fold">
    <summary>Hands free{{ doneKey ? `: ${keyName} says “Done”` : '' }}</summary>
    <div class="row-form">
      <BButton variant="outline-secondary" :aria-pressed="learning" @click="learning = !learning">{{
        learning ? 'Press the key or the pedal now' : doneKey ? 'Another key' : 'Choose a key, or a pedal, for “Done”'
      }}</BButton>
      <BButton v-if="doneKey && !learning" variant="link" @click="doneKey = ''">No key</BButton>
    </div>
    <div v-if="canSpeak()" class="row-form">
      <BButton variant="outline-secondary" @click="speak(words)">Read this step aloud</BButton>
      <Tick v-model="readsAloud">read every step as it comes</Tick>
    </div>
  </details>
</template>
