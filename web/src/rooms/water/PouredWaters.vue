<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, Refused, type Schemas } from '../../api/client'
import MassField from '../../forms/MassField.vue'
import MaybeField from '../../forms/MaybeField.vue'
import NumberField from '../../forms/NumberField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import TickField from '../../forms/TickField.vue'
import { newKey } from '../../shell/keys'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { WaterBody } from './useWater'

/** The other way round: what was poured, the dough that it will give, and what the thermometer then said. */
const props = defineProps<{ asked: WaterBody; newest: () => Promise<Schemas['WaterPanelAnswer'] | null> }>()
const t = words.water
const client = useQueryClient()
const { warmth, toDegrees, fromDegrees, fahrenheit, say } = useUnits()
const waters = ref<{ g: number; c: number; ice: boolean }[]>([])
const measured = ref<number | null>(null)
const learnt = shallowRef<Schemas['Friction'] | null>(null)
const failed = ref('')

/** Begin with the jugs as they are for what the sliders say now. */
async function begin() {
  const newest = await props.newest()
  if (!newest) return
  const { water } = newest
  const { asked } = props
  waters.value = [
    { g: water.tap_g, c: asked.tap_c, ice: false },
    { g: water.hot_tap_g, c: asked.hot_tap_c ?? 50, ice: false },
    { g: water.kettle_g, c: newest.kettle_c, ice: false },
    { g: water.ice_g, c: asked.ice_c, ice: true },
  ]
    .filter((each) => each.g >= 0.5)
    .map((each) => ({ ...each, g: Math.round(each.g), c: Math.round(each.c) }))
}
const body = () => {
  const { formula_id, version, pieces, scaling_weight_g, flour_c, room_c, levain_c } = props.asked
  const { mixing, mixing_min, speed, bowl } = props.asked
  const batch = { formula_id, version, pieces, scaling_weight_g, flour_c, room_c, levain_c, bowl }
  return { ...batch, mixing, mixing_min, speed, waters: waters.value.map((each) => ({ ...each })) }
}
const said = (error: unknown) => (error instanceof Refused && error.message ? error.message : words.failed)
const {
  answer: found,
  refused,
  pending,
} = useNewest(
  () => (waters.value.length ? body() : null),
  (asked) => ask(api.POST('/api/water/poured', { body: asked })),
)
watch(pending, (on) => on && (learnt.value = null))
const problem = computed(() => refused.value?.message || failed.value)
/** Ice is never above freezing, water never below. */
function warmer(each: { c: number }, ice: boolean) {
  each.c = ice ? Math.min(each.c, props.asked.ice_c) : Math.max(each.c, 0)
}
let key = newKey()
async function log() {
  if (measured.value == null) return
  const logged = { ...body(), dough_c: fromDegrees(measured.value) }
  try {
    const { frictions } = await ask(api.PUT('/api/mixes/{key}', { params: { path: { key } }, body: logged }))
    learnt.value = frictions.find((each) => each.mixing === props.asked.mixing) ?? null
    failed.value = ''
    measured.value = null
    key = newKey()
    await client.invalidateQueries({ queryKey: ['plans'] })
  } catch (error) {
    failed.value = said(error)
  }
}
const degrees = computed(() => (fahrenheit.value ? '°F' : '°C'))
</script>

<template>
  <section class="poured" :class="{ 'no-print': !waters.length }">
    <h2>{{ t.poured }}</h2>
    <ElButton v-if="!waters.length" class="plain start" @click="begin">
      {{ t.pouredStart }}
    </ElButton>
    <template v-else>
      <ul>
        <li v-for="(each, index) in waters" :key="index">
          <MassField v-model="each.g" :label="`${t.water} ${index + 1}`" hide-label />
          <NumberField
            :model-value="toDegrees(each.c)"
            :label="`${t.water} ${index + 1}, ${degrees}`"
            :unit="degrees"
            :digits="1"
            hide-label
            @update:model-value="(value: number) => (each.c = fromDegrees(value))"
          />
          <TickField
            v-model="each.ice"
            :label="words.plan.jugs.ice"
            @update:model-value="(ice) => warmer(each, ice)"
          />
          <RemoveButton
            :of="`${t.water} ${index + 1}`"
            :disabled="waters.length === 1"
            @remove="waters.splice(index, 1)"
          />
        </li>
      </ul>
      <ElButton class="link start" @click="waters.push({ g: 100, c: asked.tap_c, ice: false })">
        {{ t.another }}
      </ElButton>
      <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
      <p v-else-if="found" class="result">
        <template v-if="found.poured.water_c > 0">
          {{ t.togetherAt }} <strong>{{ warmth(found.poured.water_c) }}</strong>.
        </template>
        {{ t.willBe }} <strong class="clock">{{ warmth(found.poured.dough_c) }}</strong>
      </p>
      <p v-for="warning in problem ? [] : (found?.poured.warnings ?? [])" :key="warning.code" class="mind">
        {{ say(warning.text) }}
      </p>
      <form class="log" novalidate @submit.prevent="log">
        <MaybeField v-model="measured" :label="t.measured" :unit="degrees" />
        <ElButton native-type="submit" class="plain" :disabled="measured == null">{{ t.log }}</ElButton>
      </form>
      <p v-if="learnt" role="status">
        {{ t.learnt({ k: learnt.k, count: learnt.mixes, usual: learnt.usual_k }) }}
      </p>
    </template>
  </section>
</template>

<style scoped>
.poured {
  display: grid;
  gap: 10px;
  padding-top: 16px;
  border-top: 1px solid var(--ink);
}
.start {
  justify-self: start;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  margin-bottom: 6px;
}
.mind {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
.result .clock {
  font-size: 1.375rem;
}
.log {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
</style>
