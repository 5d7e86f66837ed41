<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FormulaAnswer } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import MassField from '../../forms/MassField.vue'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import { useKitchen } from '../../shell/kitchen'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { Body, Lock } from './useWork'

/** What stays while the rest changes: pieces, dough, flour, what is left in a bag, or a tin. */
const props = defineProps<{ seen: FormulaAnswer | null }>()
const form = defineModel<Body>('form', { required: true })
const lock = defineModel<Lock>('lock', { required: true })
const t = words.formulas
const { settings } = useKitchen()
const { mass } = useUnits()

/** What is locked begins where it stands. */
const kind = computed({
  get: () => lock.value.kind,
  set: (kind) => {
    const flour = form.value.flours[0]
    const key = flour?.mine?.id ?? flour?.kind ?? ''
    const weighed = props.seen?.weighed
    const bag = props.seen?.totals[0]?.g
    const dough = weighed?.dough_g
    const g = { dough, count: dough, flour: weighed?.flour_g, bag }[kind as string] ?? 0
    lock.value = {
      ...lock.value,
      kind,
      g: Math.round(g),
      flour_key: key,
      thickness_mm: props.seen?.opened_mm ?? lock.value.thickness_mm,
      tin_ml: settings.value?.tin_ml ?? lock.value.tin_ml,
    }
  },
})
const options = computed(() =>
  Object.entries(t.locks)
    .filter(([value]) => value !== 'round' || form.value.shape === 'flat_round')
    .map(([value, label]) => ({ value: value as Lock['kind'], label })),
)
const tinBys = Object.entries(t.tinBys).map(([value, label]) => ({ value, label }))
/** A tin is measured by what it holds, or by its sides in the unit of the baker's ruler; it is kept in cm. */
const INCH = 2.54
const USUAL_CM: [number, number, number] = [23, 13, 7]
const inches = ref(false)
const tinBy = computed({
  get: () => (lock.value.tin_cm ? (inches.value ? 'inch' : 'cm') : 'ml'),
  set: (by: string) => {
    inches.value = by === 'inch'
    lock.value.tin_cm = by === 'ml' ? null : (lock.value.tin_cm ?? USUAL_CM)
  },
})
const sides = [t.tinLength, t.tinWidth, t.tinHeight]
const shownSide = (cm: number) => Math.round((inches.value ? cm / INCH : cm) * 100) / 100
function setSide(index: number, value: number) {
  const cm = [...(lock.value.tin_cm ?? USUAL_CM)] as [number, number, number]
  cm[index] = Math.round((inches.value ? value * INCH : value) * 100) / 100
  lock.value.tin_cm = cm
}
const bags = computed(() =>
  (props.seen?.formula.flours ?? []).map((share) => ({
    value: share.mine?.id ?? share.kind,
    label: props.seen!.totals[props.seen!.formula.flours.indexOf(share)]?.name ?? share.kind,
  })),
)
</script>

<template>
  <div class="lock">
    <ChoiceRow v-model="kind" :legend="t.stays" :options="options" />
    <div class="pair">
      <NumberField v-if="lock.kind !== 'count'" v-model="form.pieces" :label="t.piecesLabel" />
      <MassField
        v-if="lock.kind === 'pieces' || lock.kind === 'count'"
        v-model="form.scaling_weight_g"
        :label="t.weight"
      />
      <MassField
        v-if="['dough', 'count', 'flour', 'bag'].includes(lock.kind)"
        v-model="lock.g"
        :label="t.locked[lock.kind]!"
      />
      <PickField v-if="lock.kind === 'bag'" v-model="lock.flour_key" :label="t.bagOf" :options="bags" />
      <template v-if="lock.kind === 'tin'">
        <PickField v-model="tinBy" :label="t.tinBy" :options="tinBys" />
        <NumberField v-if="!lock.tin_cm" v-model="lock.tin_ml" :label="t.tinHolds" unit="ml" />
        <template v-else>
          <NumberField
            v-for="(side, index) in sides"
            :key="side"
            :model-value="shownSide(lock.tin_cm[index]!)"
            :label="side"
            :unit="inches ? 'in' : 'cm'"
            :digits="2"
            @update:model-value="(value: number) => setSide(index, value)"
          />
        </template>
        <NumberField v-model="lock.g_per_ml" :label="t.tinFill" unit="g/ml" />
      </template>
      <template v-if="lock.kind === 'round'">
        <NumberField v-model="lock.diameter_cm" :label="t.diameter" unit="cm" :digits="1" />
        <NumberField v-model="lock.thickness_mm" :label="t.thickness" unit="mm" :digits="1" />
      </template>
      <p v-if="lock.kind === 'count' && seen" class="each">
        {{ t.piecesLabel }} <strong>{{ seen.formula.pieces }}</strong>
      </p>
      <p v-else-if="lock.kind !== 'pieces' && seen" class="each">
        {{ t.each }} <strong>{{ mass(seen.formula.scaling_weight_g) }}</strong>
      </p>
    </div>
    <p v-if="seen?.tin_ml && lock.tin_cm" class="small quiet">{{ t.tinIs({ ml: seen.tin_ml }) }}</p>
    <p v-if="seen?.opened_mm && lock.kind !== 'round'" class="small quiet">
      {{ t.opened({ cm: lock.diameter_cm, mm: seen.opened_mm }) }}
    </p>
  </div>
</template>

<style scoped>
.lock {
  display: grid;
  gap: 10px;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
.each {
  min-height: 44px;
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
