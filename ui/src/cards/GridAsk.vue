<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { Problem, Schemas } from '../api/client'
import { figure, volume, type VolumeUnit } from '../units/format'
import BottlePad from './BottlePad.vue'
import SyringePad from './SyringePad.vue'
import ToolPad from './ToolPad.vue'
import { asPlanned } from './asPlanned'
import { hasAir, mLOf } from './load'

/** Channels down, columns across: volumes are tapped on a syringe, the rest is ticked. */
const props = defineProps<{
  step: Schemas['StepJson']
  bottles: Schemas['LotJson'][]
  syringes: Record<string, Schemas['OfferedTool'][]>
  /** labels of what came in new with this step, by channel */
  cameIn?: Record<string, string> | undefined
  problem?: Problem
  unit: VolumeUnit
  locked: boolean
}>()
const emit = defineEmits<{ enter: [cell: string, value: string]; enterAll: [cells: Record<string, string>] }>()

interface Cell {
  id: string
  channel: string
  label: string
  kind: string
  expected: number
  value: string | undefined
  planned: boolean
}

const rows = computed(() =>
  props.step.ask.channels.map((channel, row) => ({
    channel,
    cells: props.step.ask.columns.map((column, i): Cell => {
      const id = `${channel}/${i}`
      const expected = column.expected[row] ?? 0
      return {
        id,
        channel,
        label: column.label,
        kind: column.kind,
        expected,
        value: props.step.entries[id],
        planned: column.kind !== 'VOLUME' || expected > 0,
      }
    }),
  })),
)
const volumes = computed(() => props.step.ask.columns.some((c) => c.kind === 'VOLUME'))
/** Old ink comes out, load by load, until there is air alone. */
const drawn = computed(() => volumes.value && props.step.ask.columns.some((c) => c.kind === 'AIR'))
const nextCell = computed(() => rows.value.flatMap((r) => r.cells).find((c) => c.planned && c.value === undefined)?.id)
/** Why a bottle was refused, at the cell that it was read for. */
const refused = computed(() => {
  const codes = rows.value.flatMap((r) => r.cells).filter((c) => c.kind === 'CODE' || c.kind === 'TOOL')
  return props.problem?.errors?.find((e) => codes.some((c) => c.id === e.field))?.detail
})
/** What is left, as planned; a code is always read. Worth a tap of its own from two cells on. */
const left = computed(() => asPlanned(props.step, props.syringes))
const columns = computed(
  () =>
    `minmax(44px, 60px) repeat(${props.step.ask.columns.length}, minmax(0, 1fr)) ${volumes.value ? 'var(--sum)' : ''}`,
)

const padFor = ref<Cell>()
const padOpen = ref(false)
const bottleFor = ref<Cell>()
const bottleOpen = ref(false)
const toolFor = ref<Cell>()
const toolOpen = ref(false)

function tap(cell: Cell) {
  if (cell.kind === 'VOLUME') {
    padFor.value = cell
    padOpen.value = true
  } else if (cell.kind === 'CODE') {
    bottleFor.value = cell
    bottleOpen.value = true
  } else if (cell.kind === 'TOOL') {
    toolFor.value = cell
    toolOpen.value = true
  } else emit('enter', cell.id, cell.value ? '' : 'yes')
}

function sum(cells: Cell[], of: (c: Cell) => number): number {
  return cells.filter((c) => c.kind === 'VOLUME').reduce((total, c) => total + of(c), 0)
}
/** What is done with the bottles whose codes were read. */
const hows = computed(() => [
  ...new Set(
    rows.value
      .flatMap((r) => r.cells)
      .filter((c) => c.kind === 'CODE' && c.value)
      .flatMap((c) => props.bottles.find((b) => String(b.id) === c.value)?.how ?? []),
  ),
])
function words(cell: Cell): string {
  if (!cell.planned) return '–'
  if (cell.kind === 'VOLUME')
    return cell.value === undefined
      ? `${figure(cell.expected, props.unit)}?`
      : figure(mLOf(cell.value), props.unit) + (hasAir(cell.value) ? ' + air' : '')
  if (cell.kind === 'CODE') {
    const bottle = props.bottles.find((b) => String(b.id) === cell.value)
    return cell.value ? (bottle?.label.split(' · ')[0] ?? '✓') : 'read the code'
  }
  if (cell.kind === 'TOOL') {
    const tool = props.syringes[cell.channel]?.find((t) => String(t.id) === cell.value)
    const label = cell.value === 'yes' ? (props.cameIn?.[cell.channel] ?? 'new') : (tool?.label ?? '✓')
    return cell.value ? label.replace(/^Syringe /, '') : 'which?'
  }
  return cell.value ? (cell.kind === 'AIR' ? 'air' : '✓') : '?'
}
</script>

<template>
  <div class="grid" :style="{ '--columns': columns }">
    <div class="line head" aria-hidden="true">
      <span></span>
      <span v-for="column in step.ask.columns" :key="column.label">{{ column.label }}</span>
      <span v-if="volumes" class="sum">entered / planned</span>
    </div>
    <div v-for="row in rows" :key="row.channel" class="line">
      <b class="code">{{ row.channel }}</b>
      <template v-for="cell in row.cells" :key="cell.id">
        <button
          v-if="cell.planned"
          type="button"
          class="cell"
          :class="{ done: cell.value !== undefined, now: cell.id === nextCell && !locked, air: cell.kind === 'AIR' }"
          :disabled="locked"
          :aria-label="`${cell.channel}, ${cell.label}: ${cell.value === undefined ? 'open' : words(cell)}`"
          :aria-pressed="cell.value !== undefined"
          :data-cell="cell.id"
          @click="tap(cell)"
        >
          {{ words(cell) }}
        </button>
        <span v-else class="none">–</span>
      </template>
      <span v-if="volumes" class="sum"
        >{{
          figure(
            sum(row.cells, (c) => mLOf(c.value)),
            unit,
          )
        }}
        /
        {{
          volume(
            sum(row.cells, (c) => c.expected),
            unit,
          )
        }}</span
      >
    </div>
    <p v-for="how in hows" :key="how" class="how">{{ how }}</p>
    <BButton
      v-if="!locked && (volumes || !step.hold) && Object.keys(left).length > 1"
      variant="outline-secondary"
      class="all"
      @click="emit('enterAll', left)"
      >{{ volumes ? 'All as planned' : 'All of them' }}</BButton
    >
    <p v-if="refused" class="act strong refused" role="alert">{{ refused }}</p>
    <ToolPad
      v-if="toolFor"
      v-model="toolOpen"
      :channel="toolFor.channel"
      :tools="syringes[toolFor.channel] ?? []"
      @take="(value) => emit('enter', toolFor!.id, value)"
    />
    <BottlePad
      v-if="bottleFor"
      v-model="bottleOpen"
      :channel="bottleFor.channel"
      :bottles="bottles"
      :unit="unit"
      @read="(id) => emit('enter', bottleFor!.id, id)"
    />
    <SyringePad
      v-if="padFor"
      v-model="padOpen"
      :title="`${padFor.channel}, ${padFor.label}`"
      :expected="padFor.expected"
      :drawn="drawn"
      :unit="unit"
      @entered="(mL) => emit('enter', padFor!.id, mL)"
      @cleared="emit('enter', padFor!.id, '')"
    />
  </div>
</template>

<style scoped>
.how {
  border-left: 4px solid var(--rim-soft);
  margin: 10px 0 0;
  padding-left: 12px;
}

.grid {
  --sum: 112px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.line {
  display: grid;
  grid-template-columns: var(--columns);
  gap: 8px;
  align-items: center;
}
.head {
  font-size: 0.85rem;
  color: var(--quiet);
  text-align: center;
}
.code {
  font-size: 1.3rem;
}
.cell {
  min-height: 64px;
  border: 2px solid var(--line);
  border-radius: 10px;
  background: var(--ground);
  color: var(--quiet);
  font-size: 1.1rem;
}
.cell.air {
  border-radius: 32px;
}
.cell.done {
  background: var(--wash);
  border-color: var(--rim);
  color: var(--text);
  font-weight: 700;
}
.cell.now {
  border: 3px solid var(--act);
  background: var(--plate);
  color: var(--text);
  font-weight: 700;
}
.all {
  align-self: flex-end;
  min-height: 48px;
}
.refused {
  font-size: 1.1rem;
  margin: 0;
}
.none {
  text-align: center;
  color: var(--quiet);
}
.sum {
  text-align: right;
  font-weight: 650;
  font-size: 0.9rem;
}
@media (max-width: 600px) {
  .line {
    gap: 5px;
  }
  .grid {
    --sum: 74px;
  }
  .sum {
    font-size: 0.8rem;
  }
}
</style>
