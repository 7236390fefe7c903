<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schemas } from '../api/client'
import { asFile } from '../api/upload'
import Choice from '../shell/Choice.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import NumberInput from '../shell/NumberInput.vue'
import PictureButton from '../shell/PictureButton.vue'
import TextInput from '../shell/TextInput.vue'
import { day, dayAndTime, minutes, money } from '../units/format'
import { useJob, useJobWords } from './useJob'

/** Pictures raw and pressed, what was wrong, and what came of it, beside other jobs of the same product. */
type SignId = Schemas['SignJson']['id']
const route = useRoute()
const id = computed(() => Number(route.params.id))
const { job, problem, act, busy, zone } = useJob(() => id.value)
const words = useJobWords()
const path = computed(() => ({ params: { path: { job: id.value } } }))
const wrong = ref(false)
const fault = reactive({ sign: 'WHITE_LINES' as SignId, words: '' })
const end = reactive({ good: 0, spoiled: 0, sign: 'WHITE_LINES' as SignId, words: '', said: '', minutes: 0 })
const open = computed(() => job.value?.state === 'TAKEN' || job.value?.state === 'PRINTED')
watch(
  () => job.value?.id,
  () => {
    end.good = job.value?.order.pieces.reduce((sum, p) => sum + p.count, 0) ?? 0
    end.minutes = Math.round(10 + end.good * 1.5)
  },
  { immediate: true },
)
const signs = computed(() => (words.value?.signs ?? []).map((s) => ({ value: s.id, text: s.label })))
const picture = (pressed: boolean, file: File) =>
  act(() =>
    api.POST('/api/jobs/{job}/picture', {
      params: { path: { job: id.value }, query: { pressed } },
      ...asFile(file),
    }),
  )
const close = () =>
  act(() =>
    api.POST('/api/jobs/{job}/close', {
      ...path.value,
      body: { ...end, sign: end.spoiled > 0 ? end.sign : undefined },
    }),
  )
</script>

<template>
  <div v-if="job" class="halves">
    <section>
      <div class="both">
        <figure v-for="pressed in job.pressedWork ? [false, true] : [false]" :key="String(pressed)">
          <a
            v-if="pressed ? job.pressed : job.raw"
            :href="`/api/pictures/${pressed ? job.pressed : job.raw}`"
            target="_blank"
            rel="noopener"
            ><img :src="`/api/pictures/${pressed ? job.pressed : job.raw}`" :alt="pressed ? 'Pressed' : 'As printed'"
          /></a>
          <div v-else class="none small quiet">no picture</div>
          <figcaption class="small">
            {{ pressed ? 'pressed' : 'as printed' }}
            <PictureButton v-if="open" small variant="link" :busy="busy" @picture="(f: File) => picture(pressed, f)">{{
              (pressed ? job.pressed : job.raw) ? 'another' : 'take one'
            }}</PictureButton>
          </figcaption>
        </figure>
      </div>
      <p v-if="job.pressedWork && open" class="small quiet">
        Raw it may look dull: judge nozzles on the raw print, colours on the pressed one.
      </p>
      <template v-if="job.like.length">
        <h2>The same product, before</h2>
        <ul class="lines">
          <li v-for="l in job.like" :key="l.id">
            <span
              ><RouterLink :to="`/jobs/${l.id}/came`">{{ day(l.at, zone) }}, {{ l.machine }}</RouterLink>
              <span class="small"> {{ l.lots.join(', ') }}</span></span
            >
            <span class="thumbs">
              <img v-if="l.raw" :src="`/api/pictures/${l.raw}`" alt="as printed" />
              <img v-if="l.pressed" :src="`/api/pictures/${l.pressed}`" alt="pressed" />
            </span>
          </li>
        </ul>
      </template>
      <ul v-if="job.faults.length" class="lines">
        <li v-for="f in job.faults" :key="f.at">
          <span
            ><b>{{ f.label }}</b> <span class="small">{{ f.words }} {{ dayAndTime(f.at, zone) }}</span></span
          >
          <RouterLink v-if="f.caseId" :to="`/clinic/${f.caseId}`">its case</RouterLink>
        </li>
      </ul>
    </section>
    <section v-if="job.came">
      <h2>{{ job.came.good }} good{{ job.came.spoiled ? `, ${job.came.spoiled} spoiled` : '' }}</h2>
      <ul class="lines">
        <li v-if="job.came.signSays">
          <span>What spoiled it</span><span>{{ job.came.signSays }}</span>
        </li>
        <li v-if="job.came.words">
          <span>Seen</span><span>{{ job.came.words }}</span>
        </li>
        <li v-if="job.came.said">
          <span>The customer said</span><span>“{{ job.came.said }}”</span>
        </li>
        <li>
          <span>Hands</span><span>{{ minutes(job.came.minutes) }}</span>
        </li>
        <li>
          <span>It cost</span><b>{{ money(job.came.cost) }}</b>
        </li>
        <li>
          <span>Bottles in {{ job.on?.name }}</span
          ><span class="small">{{ job.came.lots.join(', ') || 'not known' }}</span>
        </li>
      </ul>
    </section>
    <section v-else-if="open">
      <p v-if="problem && !problem.errors?.length" class="notice" role="alert">{{ problem.detail }}</p>
      <BButton v-if="!wrong" variant="outline-secondary" @click="wrong = true">Something is wrong with a print</BButton>
      <form
        v-else
        class="thin form"
        @submit.prevent="
          act(
            () => api.POST('/api/jobs/{job}/fault', { ...path, body: fault }),
            () => (wrong = false),
          )
        "
      >
        <b>Stop printing. What is it?</b>
        <Choice v-model="fault.sign" :options="signs" aria-label="What is wrong" />
        <ol v-if="fault.sign === 'SMEAR'" class="small smears">
          <li v-for="s in words?.smears" :key="s.cause">
            <b>{{ s.cause }}:</b> {{ s.test }} {{ s.then }}
          </li>
        </ol>
        <TextInput
          v-model="fault.words"
          placeholder="where, since when"
          aria-label="Where, since when"
          maxlength="400"
        />
        <div class="row-form">
          <BButton type="submit" variant="primary" :disabled="busy">{{
            words?.signs.find((s) => s.id === fault.sign)?.asks ? 'Ask the clinic' : 'Write it down'
          }}</BButton>
          <BButton variant="link" @click="wrong = false">Not now</BButton>
        </div>
      </form>
      <h2>What came of it</h2>
      <p v-if="!job.printed" class="quiet">Nothing of it is printed yet.</p>
      <form v-else class="form" novalidate @submit.prevent="close">
        <label>Good <NumberInput v-model="end.good" /><FieldProblem :problem field="good" /></label>
        <label>Spoiled <NumberInput v-model="end.spoiled" /><FieldProblem :problem field="spoiled" /></label>
        <label v-if="end.spoiled > 0"
          >By what <Choice v-model="end.sign" :options="signs" /><FieldProblem :problem field="sign"
        /></label>
        <label>Minutes of hands <NumberInput v-model="end.minutes" /><FieldProblem :problem field="minutes" /></label>
        <label class="wide">What was seen <TextInput v-model="end.words" maxlength="400" /></label>
        <label class="wide">What the customer said <TextInput v-model="end.said" maxlength="400" /></label>
        <BButton type="submit" variant="primary" :disabled="busy">The job is done</BButton>
      </form>
    </section>
  </div>
</template>

<style scoped>
.both {
  display: flex;
  gap: 14px;
}
.both figure {
  flex: 1 1 0;
  margin: 0;
}
.both img,
.none {
  width: 100%;
  height: 190px;
  object-fit: contain;
  border-radius: 10px;
  background: var(--wash);
}
.none {
  display: grid;
  place-items: center;
}
.lines b + .small,
.lines a + .small {
  margin-left: 8px;
}
.thumbs {
  display: flex;
  gap: 6px;
}
.thumbs img {
  width: 56px;
  height: 44px;
  object-fit: cover;
  border-radius: 6px;
}
.form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px 14px;
  align-items: start;
}
.form label {
  display: grid;
  gap: 3px;
}
.form .btn {
  justify-self: start;
}
.thin.form {
  grid-template-columns: minmax(0, 1fr);
  padding: 12px 16px;
}
.wide {
  grid-column: 1 / -1;
}
.smears {
  padding-left: 20px;
  margin: 0;
}
</style>
