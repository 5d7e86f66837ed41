<script setup lang="ts">
import { computed } from 'vue'
import { limits } from '../../api/limits'
import ManyField from '../../forms/ManyField.vue'
import ClockField from '../../forms/ClockField.vue'
import MaybeField from '../../forms/MaybeField.vue'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import TextField from '../../forms/TextField.vue'
import TickField from '../../forms/TickField.vue'
import WarmthSlider from '../../forms/WarmthSlider.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { Kind, Method, Shown, Stage } from './useMethod'

/** One stage opened: what is left empty is filled by the program and stands in quiet ink, with its reason. */
const props = defineProps<{
  stage: Shown
  written: Stage
  /** What may be stated of it, and done with it. */
  able: Kind
  addable: string[]
  /** What goes into the bowl. */
  goesIn: { id: string; name: string }[]
  canSplit: boolean
  part: NonNullable<Method['parts']>[number] | null
}>()
const emit = defineEmits<{
  change: [Partial<Stage>]
  remove: []
  move: [number]
  add: [string]
  split: []
  join: []
  part: [{ name?: string; pieces?: number }]
}>()
const t = words.method
const { span } = useUnits()
const SUITS = 'as it suits'
const FIRST_IN = ['flour', 'water']

const kind = computed(() => props.stage.kind)
const takes = (name: string) => props.able.takes.includes(name)
const folds = computed(() => (takes('folds') ? (props.written.folds ?? null) : null))
const options = (names: Record<string, string>, suits: string) => [
  { value: SUITS, label: suits },
  ...Object.entries(names).map(([value, label]) => ({ value, label })),
]
const suiting = (what: string) => t.asItSuits({ what })

/** What was chosen; nothing, where the program is to choose. */
const own = (value: string) => (value === SUITS ? null : value)

const ways = computed(() => {
  const asNow = props.stage.until || (props.stage.minutes ? span(props.stage.minutes) : '')
  return [
    { value: SUITS, label: props.written.until == null && asNow ? suiting(asNow) : t.suitsShort },
    ...Object.keys(props.stage.ends).map((value) => ({ value, label: t.until[value]! })),
  ]
})
const way = computed({
  get: () => {
    const until = props.written.until
    if (until == null) return SUITS
    if (typeof until === 'string') return until
    return Object.keys(until).find((name) => until[name as keyof typeof until] != null) ?? SUITS
  },
  set: (chosen) => emit('change', { until: (props.stage.ends[chosen] ?? null) as Stage['until'] }),
})
type Span = number | number[]
const until = computed(() => (typeof props.written.until === 'object' ? props.written.until : null))
const ends = (span: Span | null | undefined): [number, number] =>
  typeof span === 'number' ? [span, span] : span ? [span[0]!, span[1] ?? span[0]!] : [0, 0]
function setHours(place: 0 | 1, value: number) {
  const hours = ends(until.value?.hours)
  hours[place] = value
  emit('change', {
    until: { hours: place ? [Math.min(hours[0], value), value] : [value, Math.max(hours[1], value)] },
  })
}
const minutesOf = computed(() => ends(props.written.minutes as Span | null)[0] || null)

type Series = NonNullable<Stage['folds']>[number]
const ownFolds = computed({
  get: () => folds.value !== null,
  set: (on) =>
    emit('change', {
      folds: on
        ? props.stage.folds.map((each) => ({
            kind: each.kind,
            count: each.count,
            first_min: Math.round(each.first_min),
            gap_min: Math.round((each.gap_min[0] + each.gap_min[1]) / 2),
          }))
        : null,
    }),
})
function setSeries(place: number, fields: Partial<Series>) {
  emit('change', {
    folds: folds.value!.map((each, index) => (index === place ? { ...each, ...fields } : each)),
  })
}
const addSeries = () =>
  emit('change', { folds: [...(folds.value ?? []), { kind: 'coil', count: 2, first_min: 90, gap_min: 30 }] })
const foldsSaid = computed(() => props.stage.folds.reduce((sum, each) => sum + each.count, 0))
const kinds = computed(() => props.addable.map((value) => ({ value, label: t.names[value]! })))
const foldKinds = Object.entries(t.foldKinds).map(([value, label]) => ({ value, label }))
const bowl = computed(() => props.goesIn.map(({ id, name }) => ({ value: id, label: name })))
/** What a method writes of the bowl: nothing, where nothing is chosen. */
const some = (chosen: string[]) => (chosen.length ? chosen : null)
const mixings = computed(() => options(words.water.mixings, t.suitsShort))
/** Why the program filled what was left to it, each beside the name of its field. */
const labels: Record<string, string> = {
  until: t.ends,
  place: t.place,
  folds: t.folds,
  minutes: t.minutes,
  by: t.by,
  late: t.late,
}
const reasons = computed(() =>
  Object.entries(props.stage.why).map(([name, why]) => (labels[name] ? `${labels[name]}: ${why}` : why)),
)
</script>

<template>
  <div class="open" role="group" :aria-label="t.names[kind]">
    <div class="fields">
      <strong class="name">{{ t.names[kind] }}</strong>
      <template v-if="takes('until')">
        <PickField v-model="way" :label="t.ends" :options="ways" />
        <NumberField
          v-if="until?.rise != null"
          :model-value="Math.round(until.rise * 100)"
          :label="t.rise"
          unit="%"
          counts="rise"
          @update:model-value="(value: number) => emit('change', { until: { rise: value / 100 } })"
        />
        <NumberField
          v-if="until?.minutes != null"
          :model-value="ends(until.minutes as Span)[0]"
          :label="t.to"
          unit="min"
          @update:model-value="(value: number) => emit('change', { until: { minutes: value } })"
        />
        <template v-if="until?.hours != null">
          <NumberField
            :model-value="ends(until.hours as Span)[0]"
            :label="t.from"
            unit="h"
            @update:model-value="(value: number) => setHours(0, value)"
          />
          <NumberField
            :model-value="ends(until.hours as Span)[1]"
            :label="t.to"
            unit="h"
            @update:model-value="(value: number) => setHours(1, value)"
          />
        </template>
        <WarmthSlider
          v-if="until?.dough_c != null"
          :model-value="until.dough_c"
          :label="t.warm"
          v-bind="limits.MEASURED_DOUGH_C"
          @update:model-value="(value: number) => emit('change', { until: { dough_c: value } })"
        />
        <ClockField
          v-if="until?.at != null"
          :model-value="until.at"
          :label="t.clock"
          @update:model-value="(value: string) => emit('change', { until: { at: value } })"
        />
        <PickField
          :model-value="written.place ?? SUITS"
          :label="t.place"
          :options="options(t.where, suiting(t.where[stage.place] ?? stage.place))"
          @update:model-value="(value: string) => emit('change', { place: own(value), shelf: null })"
        />
        <PickField
          v-if="written.place === 'fridge'"
          :model-value="written.shelf ?? 'middle'"
          :label="t.shelf"
          :options="Object.entries(t.shelves).map(([value, label]) => ({ value, label }))"
          @update:model-value="
            (value: string) => emit('change', { shelf: value === 'middle' ? null : value })
          "
        />
      </template>
      <MaybeField
        v-if="takes('minutes')"
        :model-value="minutesOf"
        :usual="Math.round(stage.work_min)"
        :label="t.minutes"
        unit="min"
        @update:model-value="(value: number | null | undefined) => emit('change', { minutes: value ?? null })"
      />
      <PickField
        v-if="takes('by')"
        :model-value="written.by ?? SUITS"
        :label="t.by"
        :options="mixings"
        @update:model-value="(value: string) => emit('change', { by: own(value) })"
      />
      <ManyField
        v-if="takes('order')"
        :model-value="written.order ?? []"
        :label="t.order"
        :options="bowl"
        :placeholder="t.orderSuits"
        @update:model-value="(chosen: string[]) => emit('change', { order: some(chosen) })"
      />
      <ManyField
        v-if="takes('late')"
        :model-value="written.late ?? []"
        :label="t.late"
        :options="bowl.filter((each) => !FIRST_IN.includes(each.value))"
        :placeholder="t.lateSuits"
        @update:model-value="(chosen: string[]) => emit('change', { late: some(chosen) })"
      />
      <PickField
        v-if="takes('with')"
        :model-value="written.with ?? 'topping'"
        :label="t.with"
        :options="Object.entries(t.finishes).map(([value, label]) => ({ value, label }))"
        @update:model-value="(value: string) => emit('change', { with: value })"
      />
      <PickField
        v-if="takes('container')"
        :model-value="written.container ?? SUITS"
        :label="t.container"
        :options="options(t.containers, t.suitsShort)"
        @update:model-value="(value: string) => emit('change', { container: own(value) })"
      />
    </div>
    <div v-if="takes('folds')" class="folds">
      <TickField v-model="ownFolds" :label="t.foldsOwn" />
      <span v-if="!folds" class="quiet">{{ t.foldsOf({ count: foldsSaid }) }}</span>
      <div v-for="(series, place) in folds ?? []" :key="place" class="series">
        <PickField
          :model-value="series.kind ?? 'stretch'"
          :label="`${t.kind} ${place + 1}`"
          hide-label
          :options="foldKinds"
          @update:model-value="(value: string) => setSeries(place, { kind: value })"
        />
        <NumberField
          :model-value="series.count"
          :label="t.count"
          @update:model-value="(count: number) => setSeries(place, { count })"
        />
        <NumberField
          :model-value="series.first_min ?? 30"
          :label="t.first"
          unit="min"
          @update:model-value="(first_min: number) => setSeries(place, { first_min })"
        />
        <NumberField
          :model-value="ends(series.gap_min as Span)[0] || 30"
          :label="t.gap"
          unit="min"
          @update:model-value="(gap_min: number) => setSeries(place, { gap_min })"
        />
        <RemoveButton
          :of="`${t.folds} ${place + 1}`"
          @remove="emit('change', { folds: folds!.filter((_, index) => index !== place) })"
        />
      </div>
      <ElButton v-if="folds" class="link" @click="addSeries">{{ t.addFolds }}</ElButton>
    </div>
    <p v-if="kind === 'bake'" class="quiet">{{ t.bakeOf }}</p>
    <p v-for="why in reasons" :key="why" class="small quiet why">{{ why }}</p>
    <div v-if="part" class="fields">
      <TextField
        :model-value="part.name"
        :label="t.partName"
        :most="30"
        @update:model-value="(name: string) => emit('part', { name })"
      />
      <NumberField
        :model-value="part.pieces ?? 1"
        :label="t.partPieces"
        @update:model-value="(pieces: number) => emit('part', { pieces })"
      />
      <ElButton class="link" @click="emit('join')">{{ t.join }}</ElButton>
    </div>
    <div class="acts">
      <ElDropdown trigger="click" popper-class="stage-kinds" @command="(kind: string) => emit('add', kind)">
        <ElButton class="plain">{{ t.add }}</ElButton>
        <template #dropdown>
          <ElDropdownMenu>
            <ElDropdownItem v-for="each in kinds" :key="each.value" :command="each.value">{{
              each.label
            }}</ElDropdownItem>
          </ElDropdownMenu>
        </template>
      </ElDropdown>
      <ElButton v-if="able.moves" class="link" @click="emit('move', -1)">{{ t.earlier }}</ElButton>
      <ElButton v-if="able.moves" class="link" @click="emit('move', 1)">{{ t.later }}</ElButton>
      <ElButton v-if="canSplit && able.moves" class="link" @click="emit('split')">{{ t.split }}</ElButton>
      <ElButton v-if="!able.stays" class="link" @click="emit('remove')">{{ t.remove }}</ElButton>
    </div>
  </div>
</template>

<style scoped>
.open {
  display: grid;
  gap: 8px;
  margin-top: 10px;
  padding: 12px 14px;
  border: 1.5px solid var(--ink);
  border-radius: var(--corner);
}
.fields,
.folds,
.series,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: end;
}
.name {
  align-self: center;
  min-width: 90px;
  font-size: 1.0625rem;
}
.fields :deep(.pick),
.acts :deep(.pick) {
  min-width: 210px;
}
.folds {
  align-items: center;
}
.series {
  flex-basis: 100%;
}
.why {
  margin: 0;
}
</style>
