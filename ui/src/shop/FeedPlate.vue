<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { api } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'

/** The calendar feed: one secret address for waits, the round and promises. */
const path = ref<string>()
const address = computed(() => (path.value ? `${window.location.origin}${path.value}` : ''))

onMounted(async () => {
  path.value = (await api.GET('/api/feed')).data?.path
})
const { run: renew } = oneAtATime(async () => {
  path.value = (await api.POST('/api/feed')).data?.path
})
const { run: end } = oneAtATime(async () => {
  await api.DELETE('/api/feed')
  path.value = undefined
})
</script>

<template>
  <section class="thin block">
    <h2>Calendar</h2>
    <p>
      Waits with an alarm, today’s round, the coming days and promises, for any calendar program that can subscribe to
      an address. Whoever has the address can read it.
    </p>
    <template v-if="path">
      <p class="address" data-feed>{{ address }}</p>
      <BButton variant="outline-secondary" @click="renew">A new address: the old one dies</BButton>
      <BButton variant="link" @click="end">End it</BButton>
    </template>
    <BButton v-else variant="outline-secondary" @click="renew">Make an address</BButton>
  </section>
</template>

<style scoped>
.block {
  padding: 16px 20px;
}
.address {
  overflow-wrap: anywhere;
  font-weight: 650;
}
</style>
