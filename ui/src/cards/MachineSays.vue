<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, type Schemas } from '../api/client'
import TextInput from '../shell/TextInput.vue'

/** What the machine's screen says, what it really means, and what is safe to do. */
const words = ref('')
const found = ref<Schemas['MessageJson'][]>([])

watch(words, async (now, _before, onCleanup) => {
  let outdated = false
  onCleanup(() => {
    outdated = true
  })
  if (now.trim().length < 3) {
    found.value = []
    return
  }
  const { data } = await api.GET('/api/messages', { params: { query: { words: now } } })
  if (!outdated) found.value = data ?? []
})
</script>

<template>
  <div>
    <TextInput v-model="words" type="search" placeholder="its words" aria-label="What the machine says" />
    <ul class="found" aria-live="polite">
      <li v-for="message in found.slice(0, 3)" :key="message.wording">
        <b>“{{ message.wording }}”</b> {{ message.meaning }} <b>{{ message.act }}</b>
      </li>
      <li v-if="words.trim().length > 2 && !found.length" class="quiet">
        Not in the dictionary. Do nothing by force; note its words on this step.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.found {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  font-size: 0.92rem;
}
.found li {
  border-top: 1.5px solid var(--line);
  padding: 6px 0;
}
</style>
