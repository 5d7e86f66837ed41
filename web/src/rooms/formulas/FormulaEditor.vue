<script setup lang="ts">
import { computed, watch } from 'vue'
import { limits } from '../../api/limits'
import type { Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import TickField from '../../forms/TickField.vue'
import WarmthSlider from '../../forms/WarmthSlider.vue'
import { words } from '../../words'
import AddRow from './AddRow.vue'
import LineRow from './LineRow.vue'
import LockRow from './LockRow.vue'
import MethodEditor from './MethodEditor.vue'
import PrefermentBlock from './PrefermentBlock.vue'
import ShareBar from './ShareBar.vue'
import SoakerBlock from './SoakerBlock.vue'
import WeighTables from './WeighTables.vue'
import { useWork, type Body, type YeastKind } from './useWork'
import TextField from '../../forms/TextField.vue'
import { useWhole } from '../../forms/useWhole'

const props = defineProps<{ start: Body; book: Schemas['IngredientsAnswer'] }>()
const emit = defineEmits<{ save: [Body]; close: []; draft: [Body] }>()
const t = words.formulas
const { form, lock, seen, refused, set, takeYeast, current, grams } = useWork(
  props.start,
  props.book.tin_g_per_ml,
)
/** What stands in the fields is saved, once it is worked out. */
const whole = useWhole()
async function save() {
  if (!(await whole())) return
  const body = await current()
  if (body) emit('save', body)
}

watch(form, (body) => emit('draft', body), { deep: true })

const OWN = 'own:'
const flourOptions = computed(() => [
  ...props.book.mine.map((mine) => ({ value: OWN + mine.id, label: mine.name })),
  ...Object.entries(props.book.flours).map(([value, label]) => ({ value, label })),
])
type Share = Body['flours'][number]
const keyOf = (share: Share) => share.mine?.id ?? share.kind
const pickOf = (share: Share) => (share.mine ? OWN + share.mine.id : share.kind)
const nameOf = (share: Share) => share.mine?.name ?? props.book.flours[share.kind] ?? share.kind

/** Another flour in a line's place; what ferments or soaks first follows it. */
function pick(share: Share, value: string) {
  const before = keyOf(share)
  const mine = props.book.mine.find((each) => OWN + each.id === value)
  share.kind = mine?.kind ?? value
  share.mine = (mine ?? null) as Share['mine']
  for (const one of form.value.preferments) if (one.flour_kind === before) one.flour_kind = keyOf(share)
  for (const soaked of form.value.soakers.flatMap((soaker) => soaker.flours))
    if (keyOf(soaked) === before) Object.assign(soaked, { kind: share.kind, mine: share.mine })
}
const sum = computed(() => form.value.flours.reduce((total, share) => total + share.percent, 0))
const inFormula = computed(() =>
  form.value.flours.map((share) => ({ value: keyOf(share), label: nameOf(share), share })),
)
const shapes = Object.entries(t.shapes).map(([value, label]) => ({ value: value as Body['shape'], label }))
const extraKinds = Object.entries(t.extraKinds).map(([value, label]) => ({
  value: value as Body['extras'][number]['kind'],
  label,
}))
const yeasts = Object.entries(t.yeasts).map(([value, label]) => ({ value: value as YeastKind, label }))
const yeast = computed({ get: () => form.value.yeast_kind as YeastKind, set: takeYeast })
const firstName = (index: number) => {
  const kind = form.value.preferments[index]!.kind
  const same = form.value.preferments.filter((one) => one.kind === kind)
  const place = same.indexOf(form.value.preferments[index]!)
  return same.length > 1 ? `${t.preferments[kind]} ${place + 1}` : t.preferments[kind]!
}

function addFlour() {
  const has = form.value.flours.map((share) => share.kind)
  const unused = Object.keys(props.book.flours).find((kind) => !has.includes(kind))
  const percent = Math.max(Math.round((100 - sum.value) * 10) / 10, 0)
  if (unused) form.value.flours.push({ kind: unused, percent, mine: null })
}
function addPreferment(kind: string) {
  const usual = props.book.preferments[kind]
  const biggest = [...form.value.flours].sort((a, b) => b.percent - a.percent)[0]
  if (usual && biggest) form.value.preferments.push({ ...usual, flour_kind: keyOf(biggest) })
}
function addSoaker(kind: string) {
  const usual = props.book.soakers[kind]
  if (usual) form.value.soakers.push(JSON.parse(JSON.stringify(usual)) as Body['soakers'][number])
}
const addExtra = () =>
  form.value.extras.push({ name: t.extraKinds.seeds!, kind: 'seeds', percent: 5, late: false })
const byFeel = computed({
  get: () => form.value.feel_to_percent != null,
  set: (on) =>
    (form.value.feel_to_percent = on ? form.value.hydration_percent + props.book.by_feel_points : null),
})
const feelTo = computed({
  get: () => form.value.feel_to_percent ?? 0,
  set: (value) => (form.value.feel_to_percent = value),
})
</script>

<template>
  <ElForm ref="sheet" novalidate class="editor" :model="form" @submit.prevent="save">
    <div class="top">
      <TextField
        v-model="form.name"
        class="name"
        prop="name"
        :label="t.name"
        :most="80"
        :required="words.forms.nameIt"
      />
      <div class="acts">
        <ElButton native-type="submit" class="action" :disabled="refused !== null">{{ t.save }}</ElButton>
        <ElButton class="link" @click="emit('close')">{{ t.cancel }}</ElButton>
      </div>
    </div>
    <p v-if="refused" class="inverted error" role="alert">{{ refused.message }}</p>
    <ShareBar
      v-if="seen"
      :answer="seen"
      editable
      :class="{ stale: refused }"
      @share="(line, share) => set({ line, share })"
    />
    <MethodEditor :form="form" />
    <div class="write">
      <LockRow v-model:form="form" v-model:lock="lock" :seen="seen" />
      <fieldset>
        <legend>{{ t.flours }}, {{ t.together }} {{ Math.round(sum * 10) / 10 }} %</legend>
        <LineRow
          v-for="(share, index) in form.flours"
          :key="index"
          v-model="share.percent"
          :name="nameOf(share)"
          :grams="grams(`flours.${index}`)"
          :fixed="form.flours.length === 1"
          @grams="(g) => set({ line: `flours.${index}`, g })"
          @remove="form.flours.splice(index, 1)"
        >
          <PickField
            :model-value="pickOf(share)"
            :label="`${t.flours} ${index + 1}`"
            hide-label
            :options="flourOptions"
            @update:model-value="(value: string) => pick(share, value)"
          />
        </LineRow>
        <ElButton class="link" @click="addFlour">{{ t.addFlour }}</ElButton>
      </fieldset>
      <fieldset>
        <legend>{{ t.waterAndSalt }}</legend>
        <LineRow
          v-model="form.hydration_percent"
          :name="t.hydration"
          :grams="grams('water')"
          counts="hydration"
          fixed
          @grams="(g) => set({ line: 'water', g })"
        >
          <span>{{ t.hydration }}</span>
        </LineRow>
        <LineRow
          v-model="form.salt_percent"
          :name="t.salt"
          :grams="grams('salt')"
          fixed
          @grams="(g) => set({ line: 'salt', g })"
        >
          <span>{{ t.salt }}</span>
        </LineRow>
        <LineRow
          v-model="form.yeast_percent"
          :name="t.yeast"
          :grams="grams('yeast')"
          fixed
          @grams="(g) => set({ line: 'yeast', g })"
        >
          <PickField v-model="yeast" :label="t.yeastKind" hide-label :options="yeasts" />
        </LineRow>
        <div class="pair">
          <TickField
            v-if="form.yeast_percent && form.yeast_kind !== 'fresh'"
            v-model="form.yeast_woken"
            :label="t.yeastWoken"
          />
          <TickField v-model="form.salt_late" :label="t.saltLate" />
          <TickField v-model="byFeel" :label="t.byFeel" />
          <NumberField v-if="byFeel" v-model="feelTo" :label="t.feelTo" unit="%" counts="hydration" />
          <NumberField v-model="form.held_back_percent" :label="t.heldBack" unit="%" counts="overall" />
        </div>
      </fieldset>
      <fieldset>
        <legend>{{ t.preferment }}</legend>
        <PrefermentBlock
          v-for="(_, index) in form.preferments"
          :key="index"
          v-model="form.preferments[index]!"
          :flours="inFormula"
          :name="firstName(index)"
          :grams="seen?.preferment_g[index] ?? 0"
          @grams="(g) => set({ line: `preferments.${index}`, g })"
          @remove="form.preferments.splice(index, 1)"
        />
        <AddRow :kinds="t.preferments" @add="addPreferment" />
      </fieldset>
      <fieldset>
        <legend>{{ t.soaks }}</legend>
        <SoakerBlock
          v-for="(_, index) in form.soakers"
          :key="index"
          v-model="form.soakers[index]!"
          :flours="inFormula"
          :grams="(place) => grams(`soakers.${index}.extras.${place}`)"
          @grams="(place, g) => set({ line: `soakers.${index}.extras.${place}`, g })"
          @remove="form.soakers.splice(index, 1)"
        />
        <AddRow :kinds="t.soakerKinds" @add="addSoaker" />
      </fieldset>
      <fieldset>
        <legend>{{ t.extras }}</legend>
        <LineRow
          v-for="(extra, index) in form.extras"
          :key="index"
          v-model="extra.percent"
          :name="extra.name"
          :grams="grams(`extras.${index}`)"
          @grams="(g) => set({ line: `extras.${index}`, g })"
          @remove="form.extras.splice(index, 1)"
        >
          <ElInput v-model="extra.name" maxlength="60" :aria-label="`${t.extras} ${index + 1}`" />
          <PickField
            v-model="extra.kind"
            :label="`${t.kind}: ${extra.name}`"
            hide-label
            :options="extraKinds"
          />
          <TickField v-model="extra.late" :label="t.late" class="late" />
        </LineRow>
        <ElButton class="link" @click="addExtra">{{ t.addExtra }}</ElButton>
      </fieldset>
      <div class="pair">
        <NumberField v-if="!form.method" v-model="form.autolyse_min" :label="t.autolyse" unit="min" />
        <WarmthSlider v-model="form.dough_c" class="warm" :label="t.doughC" v-bind="limits.DOUGH_C" />
      </div>
      <ChoiceRow v-model="form.shape" :legend="t.shape" :options="shapes" />
      <TextField v-model="form.note" class="name" :label="t.note" :most="300" />
    </div>
    <div class="watch">
      <WeighTables v-if="seen" :answer="seen" :class="{ stale: refused }" />
    </div>
  </ElForm>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 20px 36px;
}
.top,
.error,
.editor > :deep(.bar) {
  grid-column: 1 / -1;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
  align-items: end;
}
.top .name {
  flex: 1;
  min-width: 240px;
}
.write,
.watch {
  display: grid;
  gap: 18px;
  align-content: start;
}
legend {
  padding: 0 0 6px;
  font-weight: 650;
}
.name {
  display: grid;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: end;
}
.warm {
  flex: 1;
  min-width: 220px;
}
.late {
  flex: none !important;
}
.acts {
  display: flex;
  gap: 16px;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
.stale {
  opacity: 0.45;
}
@media (max-width: 1100px) {
  .editor {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
