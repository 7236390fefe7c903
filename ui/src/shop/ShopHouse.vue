<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import Choice from '../shell/Choice.vue'
import DateInput from '../shell/DateInput.vue'
import FieldProblem from '../shell/FieldProblem.vue'
import TextInput from '../shell/TextInput.vue'
import { dateOf } from '../units/format'
import { isDate } from '../units/typed'
import PresetsPlate from './PresetsPlate.vue'
import ShopBlock from './ShopBlock.vue'
import { useShopForm } from './useShopForm'
import WeekHours from './WeekHours.vue'

/** The shop itself: its name, its units, its hours, its room. */
const ZONES = Intl.supportedValuesOf('timeZone')
const CURRENCIES = Intl.supportedValuesOf('currency')
const { shop, form, problem } = useShopForm()
const holiday = ref('')

function addHoliday() {
  if (!isDate(holiday.value) || !form.value || form.value.holidays.includes(holiday.value)) return
  form.value.holidays = [...form.value.holidays, holiday.value].sort()
  holiday.value = ''
}
</script>

<template>
  <div v-if="form && shop" class="halves">
    <div class="stack">
      <ShopBlock title="Name and units">
        <label for="shop-name">Name</label>
        <TextInput id="shop-name" v-model="form.name" />
        <FieldProblem :problem="problem" field="name" />
        <div class="pair">
          <div>
            <label for="volume-unit">Volumes in</label>
            <Choice id="volume-unit" v-model="form.volumeUnit" :options="['mL', 'fl oz']" />
          </div>
          <div>
            <label for="length-unit">Lengths in</label>
            <Choice id="length-unit" v-model="form.lengthUnit" :options="['mm', 'inch']" />
          </div>
          <div>
            <label for="currency">Currency</label>
            <TextInput id="currency" v-model="form.currency" maxlength="3" list="currencies" />
            <datalist id="currencies">
              <option v-for="c in CURRENCIES" :key="c" :value="c" />
            </datalist>
            <FieldProblem :problem="problem" field="currency" />
          </div>
          <div>
            <label for="zone">Time zone</label>
            <TextInput id="zone" v-model="form.zone" list="zones" />
            <datalist id="zones">
              <option v-for="z in ZONES" :key="z" :value="z" />
            </datalist>
            <FieldProblem :problem="problem" field="zone" />
          </div>
        </div>
      </ShopBlock>
      <ShopBlock title="The room">
        <label class="check"
          ><input
            type="checkbox"
            :checked="form.aired !== false"
            @change="form.aired = ($event.target as HTMLInputElement).checked"
          />
          It can be aired, or has a fan</label
        >
        <p class="small quiet">
          Powder, alcohol and hot adhesive want moving air. Without it no film is planned, promised or begun here.
        </p>
      </ShopBlock>
      <ShopBlock title="At the bench">
        <p v-if="shop.workshop" class="notice">
          The workshop’s network can reach this kettle, and everybody signs in.
          <template v-if="shop.fingerprint"
            >What goes over it is encrypted; when a browser asks whether to trust the certificate, compare its
            fingerprint: <code class="fingerprint">{{ shop.fingerprint }}</code></template
          >
          To take it back, stop it and start it without --workshop.
        </p>
        <p v-else class="quiet">
          Only this machine can reach the kettle. To use tablets, start it with <code>./kettle up --workshop</code>:
          then everybody signs in.
        </p>
      </ShopBlock>
      <PresetsPlate />
    </div>
    <ShopBlock title="Open">
      <WeekHours v-model="form.week" :usual="{ open: '09:00:00', close: '17:00:00' }" from="opens" to="closes" />
      <label for="holiday">Holidays</label>
      <div class="row-form">
        <DateInput id="holiday" v-model="holiday" @keydown.enter.prevent="addHoliday" />
        <BButton variant="outline-secondary" @click="addHoliday">Add</BButton>
      </div>
      <BButton
        v-for="date in form.holidays"
        :key="date"
        size="sm"
        variant="outline-secondary"
        class="me-2"
        @click="form.holidays = form.holidays.filter((d) => d !== date)"
        >{{ dateOf(date) }} ×</BButton
      >
    </ShopBlock>
  </div>
</template>

<style scoped>
.fingerprint {
  overflow-wrap: anywhere;
}
</style>
