<script setup lang="ts">
import { BButton, BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { typable, typedVolume, volume, type VolumeUnit } from '../units/format'
import TextInput from '../shell/TextInput.vue'
import { withAir } from './load'

/** A volume, tapped on the marks of a syringe or typed. */
const props = defineProps<{ title: string; expected: number; unit: VolumeUnit; drawn?: boolean }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ entered: [mL: string]; cleared: [] }>()

const typed = ref('')
/** Ink and air together: said of a load that is drawn. */
const air = ref(false)
const wrong = ref(false)
watch(open, (now) => {
  if (now) {
    typed.value = ''
    air.value = false
    wrong.value = false
  }
})

const size = computed(
  () => [5, 10, 20, 60, 100].find((s) => s >= props.expected) ?? Math.ceil(props.expected / 50) * 50,
)
const marks = computed(() => Array.from({ length: 10 }, (_, i) => (size.value * (10 - i)) / 10))

function enter(mL: number) {
  emit('entered', withAir(String(Math.round(mL * 1000) / 1000), air.value))
  open.value = false
}
function send() {
  const mL = typedVolume(typed.value, props.unit)
  if (mL === undefined) wrong.value = true
  else {
    emit('entered', withAir(mL, air.value))
    open.value = false
  }
}
</script>

<template>
  <BModal v-model="open" :title="title" no-footer centered no-animation>
    <BButton variant="primary" size="lg" class="w-100 as-planned" @click="enter(expected)">
      As planned: {{ volume(expected, unit) }}
    </BButton>
    <label v-if="drawn" class="air"
      ><input v-model="air" type="checkbox" class="form-check-input" /> air came with it</label
    >
    <div class="pad">
      <div class="syringe" role="group" aria-label="Marks of the syringe">
        <button v-for="mark in marks" :key="mark" type="button" class="mark" @click="enter(mark)">
          <span class="line"></span>{{ volume(mark, unit) }}
        </button>
      </div>
      <form class="typed" novalidate @submit.prevent="send">
        <label for="typed-volume">or type it, in {{ unit }}</label>
        <TextInput
          id="typed-volume"
          v-model="typed"
          inputmode="decimal"
          :placeholder="typable(expected, unit)"
          size="lg"
        />
        <p v-if="wrong" class="act strong small" role="alert">Type a number, such as 57 or 5.5.</p>
        <BButton type="submit" variant="outline-secondary" size="lg">Enter</BButton>
        <BButton variant="link" @click="enter(0)">Nothing came</BButton>
        <BButton
          variant="link"
          @click="
            () => {
              emit('cleared')
              open = false
            }
          "
          >Clear this cell</BButton
        >
      </form>
    </div>
  </BModal>
</template>

<style scoped>
.as-planned {
  min-height: 64px;
}
.pad {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 22px;
  margin-top: 16px;
}
.syringe {
  border: 2.5px solid var(--rim);
  border-radius: 10px 10px 26px 26px;
  background: var(--ground);
  overflow: hidden;
}
.mark {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--text);
  font-weight: 600;
}
.mark:hover {
  background: var(--wash);
}
.line {
  width: 34px;
  border-top: 2.5px solid var(--rim);
}
.air {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
  margin-top: 10px;
}
.typed {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
</style>
