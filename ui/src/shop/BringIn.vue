<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import Choice from '../shell/Choice.vue'
import { oneAtATime } from '../shell/oneAtATime'
import ShopBlock from './ShopBlock.vue'

/** What a shop had before, from files: each row is told what becomes of it before anything does. */
type Kind = Schemas['FileJson']['kind']
const KINDS: { value: Kind; text: string; one: string; many: string; example: string }[] = [
  {
    value: 'MACHINES',
    text: 'Machines',
    one: 'machine',
    many: 'machines',
    example:
      'name;bench;profile;holds;make;level %\nBurdock;Window bench;small-tank;maker’s dye;own;70\nTansy;Door bench;wide-tank;never inked;;',
  },
  {
    value: 'BOTTLES',
    text: 'Bottles on the shelf',
    one: 'bottle',
    many: 'bottles',
    example:
      'family;channel;make;lot;volume mL;price;best before;food grade\nsublimation;C;own;A-117;100;14,20;2028-04-03;no\nedible;Y;own;E-9;70;22,00;2027-02-28;yes',
  },
  {
    value: 'READINGS',
    text: 'Readings of the room',
    one: 'reading',
    many: 'readings',
    example: 'time;temperature;humidity\n2026-11-25 09:00;21,5;44\n2026-11-25T10:00:00Z;21,7;45',
  },
  {
    value: 'NOTES',
    text: 'Old notes',
    one: 'note',
    many: 'notes',
    example: 'date;machine;note\n2025-03-03;Bramble;gap on cyan since the move\n4.3.2025;;new bench lamp',
  },
]
const FATES = { KNOWN: 'stays as it is', REFUSED: 'refused' } as const

const route = useRoute()
const kind = ref<Kind>(KINDS.find((k) => k.value === route.query.kind)?.value ?? 'MACHINES')
const of = computed(() => KINDS.find((k) => k.value === kind.value) ?? KINDS[0]!)
const text = ref('')
const file = ref('')
const looked = shallowRef<Schemas['BroughtJson']>()
const problem = ref<Problem>()
const count = (n: number) => `${n} ${n === 1 ? of.value.one : of.value.many}`

const stays = computed(() => {
  const known = looked.value?.known ?? 0
  return known === 0 ? '' : known === 1 ? ', one stays as it is' : `, ${known} stay as they are`
})
const comes = computed(() => (looked.value?.taken ? 'came in' : looked.value?.refused ? 'would come in' : 'comes in'))

function forget() {
  looked.value = undefined
  problem.value = undefined
}
watch(kind, () => {
  forget()
  text.value = file.value = ''
})

function settle({ data, error }: { data?: Schemas['BroughtJson']; error?: unknown }) {
  looked.value = data
  problem.value = error ? problemOf(error) : undefined
}
const body = () => ({ kind: kind.value, text: text.value })
const { run: look, busy: looking } = oneAtATime(async () =>
  settle(await api.POST('/api/bring-in/preview', { body: body() })),
)
const { run: take, busy: taking } = oneAtATime(async () => settle(await api.POST('/api/bring-in', { body: body() })))
const { run: choose } = oneAtATime(async (event: Event) => {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  if (!chosen) return
  file.value = chosen.name
  text.value = await chosen.text()
  input.value = ''
  await look()
})
</script>

<template>
  <div class="halves">
    <ShopBlock title="From a file">
      <label for="bring-kind">What it holds</label>
      <Choice id="bring-kind" v-model="kind" :options="KINDS" />
      <p class="small quiet heads">
        Any table that a program saves as CSV: commas, semicolons or tabs. The first line names the columns, such as
      </p>
      <pre class="example" tabindex="0" aria-label="Such a file">{{ of.example }}</pre>
      <p class="ways">
        <label class="btn btn-primary"
          >Choose the file<input
            type="file"
            accept=".csv,.txt,text/csv,text/plain"
            class="visually-hidden"
            aria-label="Choose the file"
            @change="choose"
        /></label>
        <span v-if="file" class="strong">{{ file }}</span>
      </p>
      <label for="bring-text">Or paste it</label>
      <textarea id="bring-text" v-model="text" class="form-control" rows="4" spellcheck="false" @input="forget" />
      <p class="ways">
        <BButton variant="outline-secondary" :disabled="!text.trim() || looking" @click="look">{{
          looking ? 'Looking …' : 'Look at it'
        }}</BButton>
      </p>
      <p v-if="problem" class="act strong" role="alert">{{ problem.errors?.[0]?.detail ?? problem.detail }}</p>
    </ShopBlock>
    <ShopBlock title="What becomes of it">
      <p v-if="!looked" class="quiet">Nothing is changed before you have seen it here, row by row.</p>
      <template v-else>
        <p v-if="looked.taken" class="state" role="status">
          {{ looked.fresh ? `${count(looked.fresh)} came in.` : 'All of it was here already.' }}
        </p>
        <p v-else-if="looked.refused" class="state act" role="status">
          {{ count(looked.refused) }} cannot come in. Mend the file; nothing was taken.
        </p>
        <p v-else-if="!looked.fresh" class="state" role="status">All of it is here already.</p>
        <p v-else class="state" role="status">{{ count(looked.fresh) }} will come in{{ stays }}.</p>
        <p v-if="!looked.taken && !looked.refused && looked.fresh">
          <BButton variant="primary" :disabled="taking" @click="take">Bring in {{ count(looked.fresh) }}</BButton>
        </p>
        <ol class="lines rows" tabindex="0" aria-label="Rows of the file">
          <li v-for="row in looked.rows" :key="row.row">
            <span class="small quiet">Row {{ row.row }}</span>
            <span>{{ row.told }}</span>
            <b class="small" :class="{ act: row.fate === 'REFUSED' }">{{
              row.fate === 'NEW' ? comes : FATES[row.fate]
            }}</b>
          </li>
        </ol>
        <p v-if="looked.rows.length < looked.fresh + looked.known + looked.refused" class="small quiet">
          … and {{ looked.fresh + looked.known + looked.refused - looked.rows.length }} more rows.
        </p>
      </template>
    </ShopBlock>
  </div>
</template>

<style scoped>
.heads {
  margin: 10px 0 4px;
}
.example {
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
  overflow-x: auto;
  font-size: 0.85rem;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin: 10px 0;
}
textarea {
  font-family: monospace;
}
.state {
  font-size: 1.15rem;
  font-weight: 650;
}
.rows {
  padding: 0;
  max-height: 26rem;
  overflow-y: auto;
}
.rows li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 12px;
  align-items: baseline;
}
.rows li > :last-child {
  text-align: right;
}
</style>
