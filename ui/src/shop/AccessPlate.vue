<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import Choice from '../shell/Choice.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'
import { loadSession, session } from '../shell/session'
import TextInput from '../shell/TextInput.vue'
import { dateOf } from '../units/format'
import ShopBlock from './ShopBlock.vue'

/** Who may come in, what each may do, and the tablets on which a PIN is enough. */
type Role = Schemas['SettleJson']['role']
const ROLES: { value: Role; text: string }[] = [
  { value: 'OWNER', text: 'owner: everything' },
  { value: 'HAND', text: 'bench hand: the work' },
  { value: 'LOOKER', text: 'looker-on: looks' },
]
const { shop } = useShop()
const access = shallowRef<Schemas['AccessJson']>()
const problem = ref<Problem>()
const open = ref<number>()
const form = reactive({ role: 'HAND' as Role, password: '', pin: '' })
const device = ref('')
const nobody = computed(() => access.value?.people.every((p) => !p.password) ?? false)

function take({ data, error }: { data?: Schemas['AccessJson']; error?: unknown }) {
  problem.value = error ? problemOf(error) : undefined
  if (data) access.value = data
  return !error
}
onMounted(async () => take(await api.GET('/api/access')))

function show(person: Schemas['MayJson']) {
  open.value = open.value === person.person ? undefined : person.person
  problem.value = undefined
  Object.assign(form, { role: person.role ?? 'HAND', password: '', pin: '' })
}
const { run: settle } = oneAtATime(async () => {
  const settled = await api.PUT('/api/access/{person}', {
    params: { path: { person: open.value ?? 0 } },
    body: { role: form.role, password: form.password || undefined, pin: form.pin || undefined },
  })
  if (take(settled)) open.value = undefined
})
const { run: signOut } = oneAtATime(async (person: number) => {
  take(await api.DELETE('/api/access/{person}/sessions', { params: { path: { person } } }))
})
const { run: takeBack } = oneAtATime(async (person: number) => {
  if (take(await api.DELETE('/api/access/{person}', { params: { path: { person } } }))) open.value = undefined
})
const { run: withoutPin } = oneAtATime(async (p: Schemas['MayJson']) => {
  const settled = await api.PUT('/api/access/{person}', {
    params: { path: { person: p.person } },
    body: { role: p.role ?? 'HAND', pin: '' },
  })
  if (take(settled)) open.value = undefined
})
const { run: enrol } = oneAtATime(async () => {
  if (!take(await api.POST('/api/devices', { body: { name: device.value } }))) return
  device.value = ''
  await loadSession()
})
const { run: end } = oneAtATime(async (id: number) => {
  if (take(await api.DELETE('/api/devices/{device}', { params: { path: { device: id } } }))) await loadSession()
})
const says = (p: Schemas['MayJson']) =>
  [
    ROLES.find((r) => r.value === p.role)?.text.split(':')[0] ?? 'may not come in yet',
    p.password ? 'password' : '',
    p.pin ? 'PIN' : '',
    p.sessions ? `in on ${p.sessions} ${p.sessions === 1 ? 'device' : 'devices'}` : '',
  ]
    .filter(Boolean)
    .join(' · ')
</script>

<template>
  <ShopBlock v-if="access && shop" title="Who may come in">
    <p class="small quiet">
      <template v-if="access.closed">People sign in here, and each may do what is theirs.</template>
      <template v-else
        >Only this machine can reach the kettle: nobody signs in. In the workshop’s network everybody does.
        <b v-if="nobody">Give the owner a password before you open it to the network.</b></template
      >
    </p>
    <ul class="lines">
      <li v-for="p in access.people" :key="p.person">
        <span
          ><b>{{ p.name }}</b> <span class="small quiet">{{ says(p) }}</span></span
        >
        <span class="ways">
          <BButton v-if="p.sessions" size="sm" variant="outline-secondary" @click="signOut(p.person)">Sign out</BButton>
          <BButton size="sm" variant="outline-secondary" :aria-expanded="open === p.person" @click="show(p)">{{
            open === p.person ? 'Not now' : 'Change'
          }}</BButton>
        </span>
        <form v-if="open === p.person" class="thin change" novalidate @submit.prevent="settle">
          <div>
            <label for="may-role">May do</label>
            <Choice id="may-role" v-model="form.role" :options="ROLES" />
            <FieldProblem :problem="problem" field="role" />
          </div>
          <div>
            <label for="may-password">{{ p.password ? 'Another password' : 'A password, for a desk' }}</label>
            <TextInput id="may-password" v-model="form.password" type="password" autocomplete="new-password" />
            <FieldProblem :problem="problem" field="password" />
          </div>
          <div>
            <label for="may-pin">{{ p.pin ? 'Another PIN' : 'A PIN, for tablets' }}</label>
            <TextInput id="may-pin" v-model="form.pin" inputmode="numeric" maxlength="8" autocomplete="off" />
            <FieldProblem :problem="problem" field="pin" />
          </div>
          <div class="ways">
            <BButton type="submit" variant="primary">Keep it</BButton>
            <BButton v-if="p.pin" variant="outline-secondary" @click="withoutPin(p)">No PIN any more</BButton>
            <BButton v-if="p.role" variant="outline-secondary" @click="takeBack(p.person)"
              >May not come in any more</BButton
            >
          </div>
        </form>
      </li>
    </ul>
    <h3>Tablets</h3>
    <ul v-if="access.devices.length" class="lines">
      <li v-for="d in access.devices" :key="d.id">
        <span
          ><b>{{ d.name }}</b
          >{{ ' '
          }}<span class="small quiet"
            >let in {{ dateOf(d.enrolledAt) }}{{ session?.device?.id === d.id ? ' · this one' : '' }}</span
          ></span
        >
        <BButton size="sm" variant="outline-secondary" @click="end(d.id)">Let it out</BButton>
      </li>
    </ul>
    <form class="row-form" novalidate @submit.prevent="enrol">
      <TextInput v-model="device" aria-label="Name of this tablet" placeholder="Tablet at the window bench" />
      <BButton type="submit" variant="outline-secondary">{{
        session?.device ? 'Call this one so' : 'Let this one in'
      }}</BButton>
    </form>
    <FieldProblem :problem="problem" field="name" />
    <p class="small quiet">On a tablet that was let in, a PIN is enough. Do this on the tablet itself.</p>
    <p v-if="problem && !problem.errors?.length" class="act strong small" role="alert">{{ problem.detail }}</p>
  </ShopBlock>
</template>

<style scoped>
.lines li {
  flex-wrap: wrap;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.change {
  flex-basis: 100%;
  display: grid;
  gap: 8px;
  padding: 12px 14px;
  margin-top: 8px;
}
h3 {
  margin: 14px 0 4px;
}
</style>
