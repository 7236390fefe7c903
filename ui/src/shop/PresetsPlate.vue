<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { onMounted, reactive, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { FAMILIES } from '../units/families'
import { numberOrNone } from '../units/typed'
import TextInput from '../shell/TextInput.vue'
import Choice from '../shell/Choice.vue'

/** How each product is printed and pressed, recalled by its name. */
const presets = ref<Schemas['Preset'][]>([])
const problem = ref<Problem>()
const adding = ref(false)
const empty = {
  name: '',
  family: 'SUBLIMATION' as Schemas['PresetJson']['family'],
  paper: '',
  settings: '',
  mirrored: true,
  pressC: '',
  pressS: '',
}
const form = reactive({ ...empty })

onMounted(async () => (presets.value = (await api.GET('/api/presets')).data ?? []))

const number = numberOrNone
const { run: keep } = oneAtATime(async () => {
  const { data, error } = await api.POST('/api/presets', {
    body: { ...form, pressC: number(form.pressC), pressS: number(form.pressS) },
  })
  problem.value = error ? problemOf(error) : undefined
  if (data) {
    presets.value = data
    adding.value = false
    Object.assign(form, empty)
  }
})
const { run: drop } = oneAtATime(async (preset: number) => {
  const { data } = await api.POST('/api/presets/{preset}/dropped', { params: { path: { preset } } })
  if (data) presets.value = data
})
function change(preset: Schemas['Preset']) {
  Object.assign(form, preset, { pressC: String(preset.pressC ?? ''), pressS: String(preset.pressS ?? '') })
  adding.value = true
}
</script>

<template>
  <section class="thin block wide">
    <div class="title">
      <h2>Products: paper, settings, press</h2>
      <BButton v-if="!adding" size="sm" variant="outline-secondary" @click="adding = true">Add a product</BButton>
    </div>
    <ul class="lines">
      <li v-for="preset in presets" :key="preset.id">
        <span
          ><b>{{ preset.name }}</b> {{ preset.paper }}{{ preset.settings ? `, ${preset.settings}` : ''
          }}{{ preset.mirrored ? ', mirrored' : ''
          }}{{ preset.pressC && preset.pressS ? `, ${preset.pressC} °C for ${preset.pressS} s` : '' }}</span
        >
        <span class="ways">
          <BButton size="sm" variant="link" @click="change(preset)">Change</BButton>
          <BButton size="sm" variant="link" @click="drop(preset.id)">Drop</BButton>
        </span>
      </li>
    </ul>
    <p v-if="!presets.length && !adding" class="quiet small">
      None yet. The proof step of a card shows those of its ink.
    </p>
    <div v-if="adding" class="fields">
      <div>
        <label for="preset-name">Product</label><TextInput id="preset-name" v-model="form.name" /><FieldProblem
          :problem="problem"
          field="name"
        />
      </div>
      <div>
        <label for="preset-family">Ink</label><Choice id="preset-family" v-model="form.family" :options="FAMILIES" />
      </div>
      <div>
        <label for="preset-paper">Paper and size</label
        ><TextInput id="preset-paper" v-model="form.paper" /><FieldProblem :problem="problem" field="paper" />
      </div>
      <div>
        <label for="preset-settings">In the driver</label><TextInput id="preset-settings" v-model="form.settings" />
      </div>
      <div>
        <label for="preset-c">Press, °C</label
        ><TextInput id="preset-c" v-model="form.pressC" inputmode="numeric" /><FieldProblem
          :problem="problem"
          field="pressC"
        />
      </div>
      <div>
        <label for="preset-s">Press, s</label
        ><TextInput id="preset-s" v-model="form.pressS" inputmode="numeric" /><FieldProblem
          :problem="problem"
          field="pressS"
        />
      </div>
      <div>
        <label class="check"><input v-model="form.mirrored" type="checkbox" /> mirrored</label
        ><FieldProblem :problem="problem" field="mirrored" />
      </div>
      <div>
        <BButton variant="outline-secondary" @click="keep">Keep the product</BButton>
        <BButton variant="link" @click="adding = false">Not now</BButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.block {
  padding: 16px 18px;
}
.wide {
  grid-column: 1 / -1;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.ways {
  white-space: nowrap;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px;
  align-items: end;
  margin-top: 10px;
}
</style>
