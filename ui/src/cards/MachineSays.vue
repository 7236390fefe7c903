<script setup lang="ts">
import { computed, ref } from 'vue'
import HeardForm from '../messages/HeardForm.vue'
import { useMessages } from '../messages/useMessages'
import { useSettled } from '../shell/settled'
import TextInput from '../shell/TextInput.vue'

/** What the machine's screen says, what it really means, and what is safe to do on this machine. */
const props = defineProps<{ machine: number }>()
const words = ref('')
const { found } = useMessages(
  useSettled(words, 200),
  computed(() => props.machine),
  3,
)
const hearing = ref<string>()
const toldAt = ref('')
function kept() {
  toldAt.value = words.value
  words.value = ''
  hearing.value = undefined
}
</script>

<template>
  <div>
    <TextInput v-model="words" type="search" placeholder="its words" aria-label="What the machine says" />
    <ul class="found" aria-live="polite">
      <li v-for="message in found?.slice(0, 3)" :key="message.key">
        <b>“{{ message.wording }}”</b> {{ message.meaning }} <b>{{ message.act }}</b>
        <button v-if="hearing !== message.key" type="button" class="note" @click="hearing = message.key">
          Note it
        </button>
        <HeardForm
          v-else
          :wording="message.wording"
          :message="message.key"
          :act="message.act"
          :machine="machine"
          @kept="kept"
        />
      </li>
      <li v-if="words.trim().length > 2 && found && !found.length" class="quiet">
        Not in the dictionary. Do nothing by force; note its words and what you did.
        <HeardForm :key="words" :wording="words" message="" act="" :machine="machine" @kept="kept" />
      </li>
      <li v-if="toldAt && !words" class="quiet" role="status">“{{ toldAt }}” is in the log.</li>
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
.note {
  border: 0;
  background: none;
  color: inherit;
  text-decoration: underline;
  min-height: 44px;
}
</style>
