<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'

/** What a class of machine can do and what is sold for it: worth knowing before one is bought, or added. */
const props = defineProps<{ profile: Schemas['ProfileJson'] }>()

const lines = computed(() => {
  const { capable, chipWords, screen } = props.profile
  return [
    `Sheets up to ${capable.largestSheet}; ${screen ? 'a screen' : 'no screen: keys and lamps'}; ${
      capable.wireless ? 'by cable or wireless' : 'by cable alone'
    }.`,
    capable.headOut ? 'Its head comes out, to be washed or changed.' : 'Its head stays in, and is cleaned where it is.',
    capable.padByUser ? 'Its waste pad is changed by hand.' : 'Its waste pad is changed in a workshop.',
    ...(chipWords.length ? [`To be had for it: ${chipWords.join(', ')}.`] : []),
  ]
})
</script>

<template>
  <ul class="small can" :aria-label="`What a ${profile.name} can`">
    <li v-for="line in lines" :key="line">{{ line }}</li>
    <li v-if="profile.resetByHand" class="act strong">
      No chips that reset themselves are sold for it: each refill is reset by hand.
    </li>
  </ul>
</template>

<style scoped>
.can {
  margin: 10px 0 6px;
  padding-left: 20px;
}
</style>
