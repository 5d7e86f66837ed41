<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { limits } from '../../api/limits'
import { computed, defineAsyncComponent } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import AmountField from '../../forms/AmountField.vue'
import MaybeField from '../../forms/MaybeField.vue'
import PickField from '../../forms/PickField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import TickField from '../../forms/TickField.vue'
import { useKitchenForm } from '../../shell/kitchen'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import CalibrateOven from './CalibrateOven.vue'

const ConflictDialog = defineAsyncComponent(() => import('../../forms/ConflictDialog.vue'))

type Body = Schemas['KitchenBody']
type Vessel = Body['vessels'][number]
/** The baker's own oven, vessels, paper and ways to steam; and the oven learnt from a thermometer. */
const emit = defineEmits<{ close: [] }>()
const t = words.oven
const { form, errors, clash, save: keep, settle } = useKitchenForm()
const kinds = useQuery({ queryKey: ['oven', 'kinds'], queryFn: () => ask(api.GET('/api/oven')) })
const { say } = useUnits()
const optionsOf = (rows: { kind: string; name: string }[] | undefined) =>
  (rows ?? []).map((row) => ({ value: row.kind, label: row.name }))
const vesselKinds = computed(() => optionsOf(kinds.data.value?.vessels))
const ovenKinds = computed(() => optionsOf(kinds.data.value?.ovens))
const usual = (vessel: Vessel) => kinds.data.value?.vessels.find((row) => row.kind === vessel.kind)?.usual
const sides = (['', 'left', 'right', 'back', 'front'] as const).map((value) => ({
  value,
  label: t.sides[value]!,
}))
const ovenName = (kind: string) => ovenKinds.value.find((each) => each.value === kind)?.label ?? kind
const has = (kind: string) => form.value?.steam.includes(kind) ?? false
function tick(kind: string, on: boolean) {
  if (!form.value) return
  form.value.steam = on ? [...form.value.steam, kind] : form.value.steam.filter((each) => each !== kind)
}
function add() {
  const row = kinds.data.value?.vessels[0]
  if (row)
    form.value?.vessels.push({
      ...{ base_kg: null, lid_kg: null, inside_l: null, rated_c: null, knob_c: null, heats_empty: null },
      id: `v${Date.now().toString(36)}`,
      kind: row.kind,
      name: row.name,
      count: 1,
    })
}
const tools = Object.entries(t.toolNames) as [
  Body['tools'] extends (infer T)[] | undefined ? T : never,
  string,
][]
function tool(kind: (typeof tools)[number][0], on: boolean) {
  if (!form.value) return
  const has_ = form.value.tools ?? []
  form.value.tools = on ? [...has_, kind] : has_.filter((each) => each !== kind)
}
function addOven() {
  if (form.value)
    form.value.other_ovens = [...(form.value.other_ovens ?? []), { ...form.value.oven, name: t.another_oven }]
}
/** Bake in another oven: it changes places with the one in use. */
function use(index: number) {
  const others = form.value?.other_ovens
  if (!form.value || !others) return
  const now = form.value.oven
  form.value.oven = others[index]!
  others[index] = now
}
const empty = (vessel: Vessel) => ({
  get: () => (vessel.heats_empty == null ? '' : vessel.heats_empty ? 'yes' : 'no'),
  set: (value: string) => (vessel.heats_empty = value === '' ? null : value === 'yes'),
})
const allowed = [
  { value: '', label: t.asUsual },
  { value: 'yes', label: t.allowed },
  { value: 'no', label: t.forbidden },
]
function take(found: Schemas['LearntAnswer']) {
  if (!form.value) return
  if (found.heat_up_min != null) form.value.oven.heat_up_min = Math.round(found.heat_up_min * 10) / 10
  if (found.heater_w != null) form.value.oven.heater_w = null
  if (found.offset_k != null) form.value.oven.offset_k = found.offset_k
  if (found.hot_side) form.value.oven.hot_side = found.hot_side as Body['oven']['hot_side']
}
async function save() {
  if (await keep()) emit('close')
}
</script>

<template>
  <ConflictDialog
    v-if="clash"
    :changed="clash"
    :what="words.kitchen.theKitchen"
    @settle="settle"
    @close="clash = null"
  />
  <form v-if="form && kinds.data.value" class="kit" novalidate @submit.prevent="save">
    <header>
      <h2>{{ t.kit }}</h2>
      <p class="quiet">{{ t.kitLead }}</p>
    </header>
    <section>
      <h3>{{ words.kitchen.oven }}</h3>
      <div class="row">
        <label
          ><span class="small quiet">{{ t.ovenCalled }}</span
          ><ElInput v-model="form.oven.name" maxlength="40"
        /></label>
        <PickField
          v-model="form.oven.kind"
          :label="t.kind"
          :options="ovenKinds as { value: Body['oven']['kind']; label: string }[]"
        />
        <AmountField
          v-model="form.oven.top_c"
          :label="`${words.kitchen.ovenTop}, °C`"
          v-bind="limits.OVEN_TOP_C"
          :step="5"
        />
        <AmountField v-model="form.oven.volume_l" :label="t.litres" v-bind="limits.OVEN_VOLUME_L" :step="5" />
        <MaybeField v-model="form.oven.heat_up_min" :label="t.heatUp" unit="min" />
        <MaybeField v-model="form.oven.heater_w" :label="t.heater" unit="W" />
        <AmountField v-model="form.oven.offset_k" :label="t.offset" v-bind="limits.OFFSET_K" :step="1" />
        <PickField v-model="form.oven.hot_side" :label="t.hotSide" :options="sides" />
        <AmountField v-model="form.oven.shelves" :label="t.shelves" v-bind="limits.SHELVES" :step="1" />
      </div>
      <CalibrateOven :oven="form.oven" @take="take" />
      <ul class="others">
        <li v-for="(other, index) in form.other_ovens ?? []" :key="index">
          <span>{{ other.name || ovenName(other.kind) }}, {{ other.volume_l }} l</span>
          <ElButton class="link" @click="use(index)">{{ t.useThis }}</ElButton>
          <RemoveButton
            :of="other.name || ovenName(other.kind)"
            @remove="form.other_ovens?.splice(index, 1)"
          />
        </li>
      </ul>
      <ElButton class="plain" @click="addOven">{{ t.addOven }}</ElButton>
    </section>
    <section>
      <h3>{{ words.kitchen.vessels }}</h3>
      <div v-for="(vessel, index) in form.vessels" :key="vessel.id" class="vessel">
        <div class="row">
          <label
            ><span class="small quiet">{{ t.called }}</span
            ><ElInput v-model="vessel.name" maxlength="40"
          /></label>
          <PickField v-model="vessel.kind" :label="t.kind" :options="vesselKinds" />
          <AmountField
            v-model="vessel.count"
            :label="words.kitchen.count"
            v-bind="limits.VESSEL_COUNT"
            :step="1"
          />
          <RemoveButton
            :of="vessel.name"
            :disabled="form.vessels.length === 1"
            @remove="form.vessels.splice(index, 1)"
          />
        </div>
        <details>
          <summary class="small">{{ t.details }}</summary>
          <div class="row">
            <MaybeField
              v-model="vessel.base_kg"
              :label="t.weight"
              unit="kg"
              :usual="usual(vessel)?.base_kg"
            />
            <template v-if="usual(vessel)?.lid_kg">
              <MaybeField
                v-model="vessel.lid_kg"
                :label="t.lidWeight"
                unit="kg"
                :usual="usual(vessel)?.lid_kg"
              />
              <MaybeField
                v-model="vessel.inside_l"
                :label="t.inside"
                unit="l"
                :usual="usual(vessel)?.inside_l"
              />
              <MaybeField v-model="vessel.knob_c" :label="t.knob" unit="°C" />
            </template>
            <MaybeField v-model="vessel.rated_c" :label="t.rated" unit="°C" :usual="usual(vessel)?.rated_c" />
            <PickField
              :model-value="empty(vessel).get()"
              :label="t.heatsEmpty"
              :options="allowed"
              @update:model-value="(value: string) => empty(vessel).set(value)"
            />
          </div>
        </details>
      </div>
      <ElButton class="plain" @click="add">{{ words.kitchen.add }}</ElButton>
    </section>
    <section>
      <h3>{{ t.steamMeans }}</h3>
      <div class="ticks">
        <TickField
          v-for="row in kinds.data.value.steam"
          :key="row.kind"
          :model-value="has(row.kind)"
          :label="row.name"
          @update:model-value="(on: boolean) => tick(row.kind, on)"
        />
      </div>
      <h3>{{ t.tools }}</h3>
      <div class="ticks">
        <TickField
          v-for="[kind, name] in tools"
          :key="kind"
          :model-value="form.tools?.includes(kind) ?? false"
          :label="name"
          @update:model-value="(on: boolean) => tool(kind, on)"
        />
      </div>
      <MaybeField v-model="form.paper_c" :label="t.paper" unit="°C" />
      <p class="small quiet">{{ t.paperLead }}</p>
    </section>
    <p v-for="error in errors" :key="error" class="inverted error" role="alert">{{ say(error) }}</p>
    <div class="end">
      <ElButton native-type="submit" class="action">{{ t.saveKit }}</ElButton>
      <ElButton class="link" @click="emit('close')">{{ t.leave }}</ElButton>
    </div>
  </form>
  <p v-else class="quiet">{{ words.loading }}</p>
</template>

<style scoped>
.kit {
  max-width: 900px;
}
h3 {
  margin: 20px 0 8px;
  font-size: 1.0625rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 16px;
  align-items: end;
}
.row > * {
  min-width: 150px;
}
.vessel {
  padding: 10px 0;
  border-bottom: 1px solid var(--hairline);
}
details .row {
  padding: 8px 0;
}
summary {
  min-height: 32px;
  cursor: pointer;
  text-decoration: underline;
  text-underline-offset: 4px;
}
.vessel + .plain {
  margin-top: 12px;
}
.others li {
  display: flex;
  gap: 12px;
  align-items: center;
}
.ticks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
}
.error {
  margin-top: 12px;
  padding: 8px 12px;
}
.end {
  display: flex;
  gap: 16px;
  margin: 20px 0;
}
</style>
