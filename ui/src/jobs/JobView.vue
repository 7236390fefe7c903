<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import ArrivingPart from '../shell/ArrivingPart.vue'
import PageParts, { type Part } from '../shell/PageParts.vue'
import { familyName } from '../units/families'
import { dayAndTime } from '../units/format'
import { nextOf } from './next'
import { useJob } from './useJob'

/** One job: what comes next on top, and the parts of its page below. */
const route = useRoute()
const id = computed(() => Number(route.params.id))
const { job, problem, reload, zone } = useJob(() => id.value)
const at = computed(() => `/jobs/${id.value}`)
const parts = computed<Part[]>(() => [
  { to: at.value, label: 'The order' },
  { to: `${at.value}/print`, label: 'Print it' },
  { to: `${at.value}/press`, label: job.value?.pressedWork === false ? 'Cut it' : 'Press it' },
  { to: `${at.value}/came`, label: 'What came of it' },
])
const next = computed(() => (job.value ? nextOf(job.value) : undefined))
const goes = computed(() => (next.value?.part ? `${at.value}/${next.value.part}` : at.value))
</script>

<template>
  <div class="page">
    <p v-if="problem && !job" class="notice" role="alert">
      <span
        >{{ problem.detail }} <button type="button" class="btn btn-link btn-sm" @click="reload">Try again</button></span
      >
    </p>
    <p v-if="!job && !problem" class="quiet">Opening the job …</p>
    <template v-if="job">
      <header class="head">
        <RouterLink to="/jobs" class="small">Jobs</RouterLink>
        <h1>{{ job.order.what }}</h1>
        <span class="small">no. {{ job.id }}, for {{ job.order.customer }}</span>
        <span class="tag">{{ familyName(job.order.ink) }}</span>
        <span class="tag">{{ job.says }}</span>
        <b v-if="next">{{ dayAndTime(job.order.due, zone) }}</b>
      </header>
      <p v-if="next" class="next">
        <RouterLink v-if="goes !== route.path" :to="goes" class="btn btn-primary">{{ next.words }}</RouterLink>
        <b v-else>Next: {{ next.words }}</b>
      </p>
      <p v-if="job.state === 'REFUSED'" class="notice">{{ job.gate.says }}</p>
      <PageParts v-if="job.state !== 'REFUSED'" :parts="parts" label="Parts of the job" />
      <ArrivingPart>
        <RouterView v-slot="{ Component }"><component :is="Component" :key="id" /></RouterView>
      </ArrivingPart>
    </template>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
  margin-bottom: 10px;
}
.next {
  margin: 10px 0;
  min-height: 46px;
  display: flex;
  align-items: center;
}
</style>
