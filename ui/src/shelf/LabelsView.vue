<script setup lang="ts">
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schemas } from '../api/client'
import { useBench } from '../benches/useBench'
import { problemOf } from '../api/client'
import Choice from '../shell/Choice.vue'
import { familyName } from '../units/families'
import { sheetsOf } from './labels'
import ShelfParts from './ShelfParts.vue'

/** Labels for machines, their lines, bottles and waste, on one sheet; one that was begun is gone on with. */
const route = useRoute()
const MANY = 16 // machines: more of them are folded away until asked for
const { bench } = useBench()
const machines = computed(() => bench.value?.machines ?? [])
const lots = shallowRef<Schemas['Lot'][]>([])
const wastes = shallowRef<Schemas['Bottle'][]>([])
const chosen = reactive({ machine: [] as number[], line: [] as number[], lot: [] as number[], bottle: [] as number[] })
const begin = ref(0)
const paper = ref<'a4' | 'letter'>('a4')

onMounted(async () => {
  const [shelf, bin] = await Promise.all([api.GET('/api/shelf/lots'), api.GET('/api/shelf/waste')])
  lots.value = (shelf.data ?? []).filter((l) => l.left > 0)
  wastes.value = (bin.data ?? []).filter((b) => !b.closedOn)
})
watch(
  () => route.query.machine,
  (asked) => {
    const id = Number(asked)
    if (!id) return
    chosen.machine = [id]
    chosen.line = [id]
  },
  { immediate: true },
)

const made = shallowRef<Schemas['LabelsJson']>()
const problem = ref('')
const query = computed(() => ({ address: location.origin, ...chosen }))
let asked = 0
watch(
  query,
  async (now) => {
    const turn = ++asked
    const { data, error } = await api.GET('/api/labels', { params: { query: now } })
    if (turn !== asked) return // what was ticked since comes to something else
    problem.value = error ? problemOf(error).detail : ''
    if (data) made.value = data
  },
  { immediate: true, deep: true },
)
const sheets = computed(() => (made.value ? sheetsOf(made.value.labels, begin.value, made.value.places) : []))
const address = computed(() => {
  const wanted = new URLSearchParams({ address: location.origin, begin: String(begin.value), paper: paper.value })
  for (const [kind, ids] of Object.entries(chosen)) if (ids.length) wanted.set(kind, ids.join(','))
  return `/api/labels.pdf?${wanted}`
})
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <ShelfParts />
    <div class="halves">
      <section>
        <h2>What gets a label?</h2>
        <details :open="machines.length <= MANY">
          <summary>
            Machines<span v-if="chosen.machine.length + chosen.line.length" class="quiet small">
              {{ new Set([...chosen.machine, ...chosen.line]).size }} chosen</span
            >
          </summary>
          <table class="of">
            <thead>
              <tr>
                <th scope="col">Machine</th>
                <th scope="col">itself</th>
                <th scope="col">slots and lines</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="m in machines" :key="m.id">
                <th scope="row">
                  {{ m.name }} <span class="quiet small">{{ m.family }}</span>
                </th>
                <td>
                  <label
                    ><input
                      v-model="chosen.machine"
                      type="checkbox"
                      class="form-check-input"
                      :value="m.id"
                      :aria-label="m.name"
                  /></label>
                </td>
                <td>
                  <label
                    ><input
                      v-model="chosen.line"
                      type="checkbox"
                      class="form-check-input"
                      :value="m.id"
                      :aria-label="`Slots and lines of ${m.name}`"
                    />
                  </label>
                </td>
              </tr>
            </tbody>
          </table>
        </details>
        <details v-if="lots.length">
          <summary>
            Bottles<span v-if="chosen.lot.length" class="quiet small"> {{ chosen.lot.length }} chosen</span>
          </summary>
          <label v-for="l in lots" :key="l.id" class="line"
            ><input v-model="chosen.lot" type="checkbox" class="form-check-input" :value="l.id" /> {{ l.code }}
            <span class="quiet small">{{ familyName(l.family) }} {{ l.channel ?? 'fluid' }}</span></label
          >
        </details>
        <details v-if="wastes.length">
          <summary>
            Waste bottles<span v-if="chosen.bottle.length" class="quiet small"> {{ chosen.bottle.length }} chosen</span>
          </summary>
          <label v-for="b in wastes" :key="b.id" class="line"
            ><input v-model="chosen.bottle" type="checkbox" class="form-check-input" :value="b.id" /> {{ b.name }}
            <span class="quiet small">{{ b.kind }}</span></label
          >
        </details>
      </section>
      <section v-if="made" class="made">
        <div class="title">
          <h2>The sheet</h2>
          <a v-if="made.labels.length" class="btn btn-primary btn-lg" :href="address" target="_blank"
            >Print {{ made.labels.length }} {{ made.labels.length === 1 ? 'label' : 'labels' }}</a
          >
        </div>
        <p v-if="!made.labels.length" class="notice">Nothing is chosen yet: tick a machine.</p>
        <p v-if="problem" class="notice" role="alert">{{ problem }}</p>
        <p class="quiet small">
          {{ made.places }} places on plain or sticky paper, cut along the dashed lines. Has the sheet in the tray been
          begun? Tap its first free place.
        </p>
        <div class="sheets">
          <div v-for="(sheet, s) in sheets" :key="s" class="sheet" :style="{ '--across': made.across }">
            <component
              :is="s === 0 ? 'button' : 'span'"
              v-for="(place, i) in sheet"
              :key="i"
              class="place"
              :class="{ gone: place === 'gone', full: typeof place === 'object' }"
              :aria-label="s === 0 ? `Begin at place ${i + 1}` : undefined"
              :type="s === 0 ? 'button' : undefined"
              @click="s === 0 && (begin = i)"
              ><template v-if="typeof place === 'object'"
                ><b>{{ place.code }}</b
                ><span>{{ place.title }}</span></template
              ></component
            >
          </div>
        </div>
        <div class="row-form">
          <label for="label-paper">Paper</label>
          <Choice
            id="label-paper"
            v-model="paper"
            :options="[
              { value: 'a4', text: 'A4' },
              { value: 'letter', text: 'Letter' },
            ]"
          />
        </div>
        <p class="quiet small">
          The codes on machines open their pages under the address you see now. Print them from the address that the
          tablets use. Print at 100 %.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(280px, 1fr);
  gap: 22px 44px;
  align-items: start;
}
.of {
  width: 100%;
}
.of th,
.of td {
  border-bottom: 1.5px solid var(--line);
  padding: 2px 8px 2px 0;
  font-weight: 600;
}
.of label,
.line,
summary {
  min-height: 46px;
  display: flex;
  gap: 10px;
  align-items: center;
}
summary {
  display: list-item;
  padding: 10px 0;
  font-weight: 650;
}
input[type='checkbox'] {
  width: 24px;
  height: 24px;
}
.title {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  justify-content: space-between;
  align-items: center;
}
.sheets {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  margin: 8px 0 14px;
}
.sheet {
  display: grid;
  grid-template-columns: repeat(var(--across), 96px);
  gap: 2px;
  padding: 6px;
  background: #fff;
  border: 1.5px solid var(--rim);
}
.place {
  height: 45px;
  padding: 0 2px;
  border: 1px dashed #8a8f9c;
  background: none;
  color: #1b2130;
  font-size: 0.6rem;
  line-height: 1.05;
  display: grid;
  align-content: center;
  justify-items: start;
  text-align: left;
  overflow: hidden;
}
.place b {
  font-size: 0.85rem;
}
.place.full {
  background: #e4e9f5;
}
.place.gone {
  background: repeating-linear-gradient(45deg, #fff 0 5px, #d9d3c4 5px 7px);
}
.row-form {
  margin-bottom: 14px;
}
@media (max-width: 760px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
