<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'

/** A PIN, tapped with a wet hand or typed. */
const emit = defineEmits<{ said: [pin: string] }>()
const LEAST = 4
const MOST = 8
const pin = ref('')
const add = (figure: string) => (pin.value = (pin.value + figure).slice(0, MOST))
function say() {
  if (pin.value.length < LEAST) return
  emit('said', pin.value)
  pin.value = ''
}
function key(event: KeyboardEvent) {
  if (event.key === 'Enter' && event.target !== event.currentTarget) return // on a figure it is that figure
  if (/^\d$/.test(event.key)) add(event.key)
  else if (event.key === 'Backspace') pin.value = pin.value.slice(0, -1)
  else if (event.key === 'Enter') say()
  else return
  event.preventDefault()
}
</script>

<template>
  <div class="pad" role="group" aria-label="PIN" tabindex="0" @keydown="key">
    <output class="said" :aria-label="`${pin.length} figures`">{{ '●'.repeat(pin.length) || '–' }}</output>
    <button v-for="n in 9" :key="n" type="button" class="figure" @click="add(String(n))">{{ n }}</button>
    <button type="button" class="figure" aria-label="Take one back" @click="pin = pin.slice(0, -1)">←</button>
    <button type="button" class="figure" @click="add('0')">0</button>
    <BButton variant="primary" :disabled="pin.length < LEAST" @click="say">In</BButton>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
}
.said {
  grid-column: 1 / -1;
  text-align: center;
  font-size: 1.5rem;
  letter-spacing: 0.3em;
  min-height: 40px;
}
.figure,
.pad .btn {
  min-height: 64px;
  border: 2px solid var(--rim);
  border-radius: 12px;
  background: var(--plate);
  color: var(--text);
  font-size: 1.4rem;
  font-weight: 650;
}
.pad .btn {
  background: var(--act);
  border-color: var(--act);
  color: var(--act-text);
}
.pad .btn:disabled {
  opacity: 0.5;
}
</style>
