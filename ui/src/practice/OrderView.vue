<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'

/** Steps tapped into their order; a wrong swap says what it does. */
const route = useRoute()
const sequence = shallowRef<Schemas['SequenceJson']>()
const outcome = shallowRef<Schemas['OrderedJson']>()
const order = ref<number[]>([])
const problem = ref<string>()
const id = route.params.sequence as string
onMounted(async () => {
  const { data, error } = await api.GET('/api/practice/sequences/{id}', { params: { path: { id } } })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) sequence.value = data
})
const left = computed(() => sequence.value?.steps.filter((s) => !order.value.includes(s.number)) ?? [])
const words = (n: number) => sequence.value?.steps.find((s) => s.number === n)?.words
const { run: send, busy } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/practice/sequences/{id}', {
    params: { path: { id } },
    body: { order: order.value },
  })
  problem.value = error ? problemOf(error).detail : undefined
  if (data) outcome.value = data
})
function again() {
  order.value = []
  outcome.value = undefined
}
</script>

<template>
  <div class="page narrow">
    <RouterLink to="/practice" class="small">Practice</RouterLink>
    <h1>{{ sequence?.title }}</h1>
    <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
    <template v-if="sequence">
      <ol class="order">
        <li v-for="n in order" :key="n">
          <span>{{ words(n) }}</span>
          <BButton v-if="!outcome" size="sm" variant="link" @click="order = order.filter((o) => o !== n)"
            >take back</BButton
          >
        </li>
      </ol>
      <template v-if="!outcome">
        <p class="strong">{{ order.length ? 'And then?' : 'What comes first?' }}</p>
        <div class="left">
          <BButton
            v-for="s in left"
            :key="s.number"
            variant="outline-secondary"
            @click="order = [...order, s.number]"
            >{{ s.words }}</BButton
          >
        </div>
        <BButton v-if="!left.length" variant="primary" size="lg" :disabled="busy" @click="send"
          >That is the order</BButton
        >
      </template>
      <section v-else class="plate block">
        <h2>{{ outcome.right ? 'Right: nothing comes to harm' : 'Not quite' }}</h2>
        <p v-for="w in outcome.wrong" :key="w">{{ w }}</p>
        <template v-if="!outcome.right">
          <p class="strong">The order that works:</p>
          <ol>
            <li v-for="s in outcome.rightOrder" :key="s">{{ s }}</li>
          </ol>
          <BButton variant="outline-secondary" @click="again">Once more</BButton>
        </template>
        <RouterLink class="btn btn-primary" to="/practice">Done</RouterLink>
      </section>
    </template>
  </div>
</template>

<style scoped>
.narrow {
  max-width: 780px;
}
.order {
  margin: 14px 0;
  padding-left: 26px;
}
.order li {
  min-height: 40px;
}
.left {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 10px;
  margin-bottom: 14px;
}
.left .btn {
  min-height: 56px;
}
.block {
  padding: 18px 20px;
}
</style>
