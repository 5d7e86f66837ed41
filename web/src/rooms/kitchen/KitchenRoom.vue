<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import MaybeMassField from '../../forms/MaybeMassField.vue'
import { api, ask } from '../../api/client'
import { limits } from '../../api/limits'
import KitchenDay from '../../charts/KitchenDay.vue'
import DevicesList from './DevicesList.vue'
import KeepData from './KeepData.vue'
import AmountField from '../../forms/AmountField.vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import ClockField from '../../forms/ClockField.vue'
import WarmthSlider from '../../forms/WarmthSlider.vue'
import MaybeField from '../../forms/MaybeField.vue'
import PickField from '../../forms/PickField.vue'
import { useKitchen, useKitchenForm } from '../../shell/kitchen'
import { useNewest } from '../../shell/newest'
import { light } from '../../shell/theme'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import InTurn from '../../shell/InTurn.vue'
import TextField from '../../forms/TextField.vue'
import { useWhole } from '../../forms/useWhole'

const ConflictDialog = defineAsyncComponent(() => import('../../forms/ConflictDialog.vue'))

const t = words.kitchen
const { query, settings, kinds } = useKitchen()
const { form, saving, saved, errors, clash, save, settle, undo, canUndo } = useKitchenForm()
/** The day that the fields make, drawn while they are changed. */
const day = useNewest(
  () => {
    const now = form.value
    return now
      ? {
          room_day_c: now.room_day_c,
          room_night_c: now.room_night_c,
          sleep_from: now.sleep_from,
          sleep_to: now.sleep_to,
        }
      : null
  },
  (body) => ask(api.POST('/api/kitchen/day', { body })),
  { wait: 60 },
)
const zones = Intl.supportedValuesOf('timeZone').map((value) => ({ value, label: value }))
const degrees = computed({
  get: () => (form.value?.fahrenheit ? 'f' : 'c'),
  set: (value) => form.value && (form.value.fahrenheit = value === 'f'),
})
const masses = computed({
  get: () => (form.value?.ounces ? 'oz' : 'g'),
  set: (value) => form.value && (form.value.ounces = value === 'oz'),
})
const { toDegrees, fromDegrees } = useUnits()
const degreeUnit = computed(() => (settings.value?.fahrenheit ? '°F' : '°C'))
const hotTap = computed({
  get: () => (form.value?.hot_tap_c == null ? null : Math.round(toDegrees(form.value.hot_tap_c) * 10) / 10),
  set: (value) => form.value && (form.value.hot_tap_c = value == null ? null : fromDegrees(value)),
})
const scales = ['0.01', '0.1', '0.5', '1', '2', '5'].map((value) => ({ value, label: `${value} g` }))
const scale = computed({
  get: () => String(form.value?.scale_g ?? 1),
  set: (value) => form.value && (form.value.scale_g = Number(value)),
})
const kindOptions = computed(() => Object.entries(kinds.value).map(([value, label]) => ({ value, label })))

const whole = useWhole()
async function saveWhole() {
  if (await whole()) await save()
}

function addVessel() {
  form.value?.vessels.push({
    id: `v${Date.now().toString(36)}`,
    kind: 'lidded_cast_iron',
    name: t.newVessel,
    count: 1,
  })
}
</script>

<template>
  <div class="room">
    <header>
      <h1>{{ t.title }}</h1>
      <p class="quiet">{{ t.lead }}</p>
    </header>
    <p v-if="query.isError.value && !form" role="alert">{{ words.failed }}</p>
    <p v-else-if="!form" class="quiet">{{ words.loading }}</p>
    <ElForm v-else ref="sheet" novalidate :model="form" @submit.prevent="saveWhole">
      <KitchenDay
        v-if="day.answer.value"
        class="day"
        :class="{ awaited: day.pending.value || day.refused.value }"
        :day="day.answer.value"
        :fridge-c="form.fridge_c"
        :from="form.sleep_from"
        :to="form.sleep_to"
      />
      <ElSkeleton v-else-if="!day.refused.value" class="day" :rows="3" animated />
      <p v-if="day.refused.value" class="day inverted error" role="status">{{ day.refused.value.message }}</p>
      <section>
        <TextField
          v-model="form.name"
          prop="name"
          :label="t.name"
          :most="60"
          :required="words.forms.nameIt"
        />
        <InTurn>
          <PickField v-model="form.zone" :label="t.zone" :options="zones" />
          <div class="pair">
            <ClockField v-model="form.sleep_from" :label="`${t.sleep} ${t.from}`" />
            <ClockField v-model="form.sleep_to" :label="t.to" />
          </div>
        </InTurn>
        <InTurn>
          <ChoiceRow
            v-model="degrees"
            :legend="t.warmths"
            :options="[
              { value: 'c', label: t.celsius },
              { value: 'f', label: t.fahrenheit },
            ]"
          />
          <ChoiceRow
            v-model="masses"
            :legend="t.weights"
            :options="[
              { value: 'g', label: t.grams },
              { value: 'oz', label: t.ounces },
            ]"
          />
          <ChoiceRow
            v-model="light"
            :legend="words.shell.theme"
            :options="[
              { value: 'auto', label: words.shell.themes.auto },
              { value: 'light', label: words.shell.themes.light },
              { value: 'dark', label: words.shell.themes.dark },
            ]"
          />
        </InTurn>
        <InTurn>
          <fieldset class="tools">
            <legend>{{ t.tools }}</legend>
            <PickField v-model="scale" :label="t.scale" :options="scales" />
            <MaybeField v-model="form.bowl_l" :label="t.bowl" unit="l" />
            <InTurn>
              <MaybeField v-model="form.box_l" :label="t.box" unit="l" />
              <MaybeField v-model="form.jar_mm" :label="t.jar" unit="mm" />
              <MaybeMassField v-model="form.mixer_dough_g" :label="t.mixer" />
              <MaybeField v-model="form.tin_ml" :label="t.tin" unit="ml" />
            </InTurn>
            <TextField v-model="form.currency" class="currency" :label="t.currency" :most="8" />
          </fieldset>
        </InTurn>
      </section>
      <InTurn>
        <section>
          <WarmthSlider v-model="form.room_day_c" :label="t.day" v-bind="limits.ROOM_DAY_C" />
          <WarmthSlider v-model="form.room_night_c" :label="t.night" v-bind="limits.ROOM_NIGHT_C" />
          <WarmthSlider v-model="form.fridge_c" :label="t.fridge" v-bind="limits.FRIDGE_C" />
          <MaybeField v-model="form.fridge_l" :label="t.fridgeRoom" unit="l" />
          <InTurn>
            <WarmthSlider v-model="form.tap_c" :label="t.tap" v-bind="limits.TAP_C" />
            <MaybeField v-model="hotTap" :label="t.hotTap" :unit="degreeUnit" />
            <AmountField
              v-model="form.altitude_m"
              :label="t.altitude"
              v-bind="limits.ALTITUDE_M"
              :step="50"
            />
          </InTurn>
        </section>
      </InTurn>
      <InTurn>
        <section>
          <PickField
            v-model="form.oven.kind"
            :label="t.oven"
            :options="
              Object.entries(t.ovens).map(([value, label]) => ({
                value: value as typeof form.oven.kind,
                label,
              }))
            "
          />
          <WarmthSlider v-model="form.oven.top_c" :label="t.ovenTop" v-bind="limits.OVEN_TOP_C" />
          <InTurn>
            <fieldset class="vessels">
              <legend class="small quiet">{{ t.vessels }}</legend>
              <InTurn v-for="(vessel, index) in form.vessels" :key="vessel.id">
                <div class="vessel">
                  <ElInput v-model="vessel.name" maxlength="40" :aria-label="`${t.name}, ${index + 1}`" />
                  <PickField
                    v-model="vessel.kind"
                    :label="`${t.kind}: ${vessel.name}`"
                    hide-label
                    :options="kindOptions"
                  />
                  <AmountField
                    v-model="vessel.count"
                    :label="t.count"
                    v-bind="limits.VESSEL_COUNT"
                    :step="1"
                  />
                  <ElButton
                    class="link"
                    :disabled="form.vessels.length === 1"
                    :aria-label="`${t.remove}: ${vessel.name}`"
                    @click="form.vessels.splice(index, 1)"
                  >
                    {{ t.remove }}
                  </ElButton>
                </div>
              </InTurn>
              <InTurn>
                <ElButton class="plain" @click="addVessel">{{ t.add }}</ElButton>
              </InTurn>
            </fieldset>
          </InTurn>
        </section>
      </InTurn>
      <InTurn>
        <footer>
          <p v-for="error in errors" :key="error" class="inverted error" role="alert">{{ error }}</p>
          <ElButton native-type="submit" class="action" :disabled="saving">{{ t.save }}</ElButton>
          <span v-if="saved" role="status">{{ t.saved }}</span>
          <ElButton v-if="canUndo" @click="undo">{{ words.undone.undo }}</ElButton>
        </footer>
      </InTurn>
    </ElForm>
    <ConflictDialog
      v-if="clash"
      :changed="clash"
      :what="t.theKitchen"
      @settle="settle"
      @close="clash = null"
    />
    <InTurn v-if="form || query.isError.value">
      <KeepData />
    </InTurn>
    <InTurn v-if="form || query.isError.value">
      <DevicesList />
    </InTurn>
  </div>
</template>

<style scoped>
.tools {
  display: grid;
  gap: 12px;
}
.tools legend {
  padding-bottom: 6px;
  font-weight: 650;
}
.currency {
  max-width: 132px;
}
.room {
  max-width: 1224px;
  padding: 20px 28px 40px;
}
h1 {
  font-size: 1.875rem;
}
header {
  margin-bottom: 20px;
}
.day {
  grid-column: 1 / -1;
}
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 17.5rem), 1fr));
  gap: 24px 48px;
}
section {
  display: grid;
  gap: 16px;
  align-content: start;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
label {
  display: grid;
}
.vessel {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px;
  padding: 12px 0;
  border-bottom: 1px solid var(--hairline);
}
.vessel > :nth-child(2) {
  grid-column: 1 / 3;
}
.vessel .link {
  align-self: end;
}
.vessels .plain {
  margin-top: 12px;
}
footer {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: center;
}
.error {
  width: 100%;
  padding: 10px 14px;
  border-radius: var(--corner);
}
@media (max-width: 720px) {
  .room {
    padding: 16px;
  }
}
</style>
