<script setup lang="ts">
import { computed } from 'vue'
import { limits } from '../../api/limits'
import type { Schemas, Settings } from '../../api/client'
import WaterJugs from '../../charts/WaterJugs.vue'
import AmountField from '../../forms/AmountField.vue'
import FormulaPicker from '../../forms/FormulaPicker.vue'
import MaybeField from '../../forms/MaybeField.vue'
import MassField from '../../forms/MassField.vue'
import PickField from '../../forms/PickField.vue'
import TickField from '../../forms/TickField.vue'
import WarmthSlider from '../../forms/WarmthSlider.vue'
import { useFormulas, type FormulaLine } from '../../shell/formulas'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import PouredWaters from './PouredWaters.vue'
import YeastTest from './YeastTest.vue'
import { useWater, type WaterBody } from './useWater'
import InTurn from '../../shell/InTurn.vue'

const props = defineProps<{
  first: FormulaLine
  pieces: number | null
  settings: Settings
}>()
const t = words.water
const { lineOf } = useFormulas()
const { warmth, toDegrees, mass, difference, say, span } = useUnits()
const { asked, answer, refused, pending, current, take, bowl } = useWater(
  props.first,
  props.pieces,
  props.settings,
)

const formula = computed({
  get: () => asked.formula_id,
  set: (id) => {
    const found = lineOf(id)
    if (found) take(found)
  },
})
const chosen = computed(() => lineOf(asked.formula_id) ?? props.first)
const howMany = computed({ get: () => asked.pieces ?? 1, set: (value) => (asked.pieces = value) })
const mixings = Object.entries(t.mixings).map(([value, label]) => ({
  value: value as WaterBody['mixing'],
  label,
}))
const bowls = Object.entries(t.bowls).map(([value, label]) => ({
  value: value as keyof typeof t.bowls,
  label,
}))
const material = computed({ get: () => asked.bowl?.material ?? 'none', set: bowl })
const hot = computed({
  get: () => asked.hot_tap_c != null,
  set: (on) => (asked.hot_tap_c = on ? (props.settings.hot_tap_c ?? 50) : null),
})
const hotC = computed({ get: () => asked.hot_tap_c ?? 50, set: (value) => (asked.hot_tap_c = value) })
const freezer = computed({ get: () => asked.ice_c < 0, set: (on) => (asked.ice_c = on ? -18 : 0) })
const altitude = computed({ get: () => asked.altitude_m ?? 0, set: (value) => (asked.altitude_m = value) })
const friction = computed(() => {
  const found = answer.value?.friction
  if (!found) return ''
  const rests = found.mixes === 0 ? t.usual : t.mixes({ count: found.mixes })
  return `${t.mixings[found.mixing as keyof typeof t.mixings]} ${t.adds} ${difference(found.k, 1)}: ${rests}`
})
const speeds = Object.entries(t.speeds).map(([value, label]) => ({
  value: value as NonNullable<WaterBody['speed']>,
  label,
}))
const byMotor = computed(() => answer.value?.has_speed ?? false)
const warmthSpan = (each: Schemas['Advice']) =>
  `${Math.round(toDegrees(each.low_c))}–${warmth(Math.round(each.high_c))}`
const bulkOf = (each: Schemas['Advice']) =>
  each.bulk_h == null ? t.bulkOverADay : t.bulkAbout({ span: span(5 * Math.round(12 * each.bulk_h)) })
const mixed = computed(() => {
  const k = answer.value?.mixed_k ?? 0
  if (Math.abs(k) < 0.05) return t.mixedNothing
  return (k > 0 ? t.mixedWarms : t.mixedCools)({ k: difference(Math.abs(k), 1) })
})
const off = computed(() => {
  const found = answer.value?.water
  return found ? Math.abs(found.dough_c - asked.target_dough_c) >= 0.3 : false
})
</script>

<template>
  <div class="room">
    <div class="left">
      <h1>{{ t.title }}</h1>
      <FormulaPicker v-model="formula" :label="words.plan.formula" :called="chosen.name" />
      <AmountField v-model="howMany" :label="words.plan.fields.pieces" v-bind="limits.PIECES" :step="1" />
      <InTurn>
        <WarmthSlider v-model="asked.target_dough_c" :label="t.wanted" v-bind="limits.DOUGH_C" />
        <PickField v-model="asked.mixing" :label="t.mixing" :options="mixings" />
        <div class="work">
          <MaybeField
            v-model="asked.mixing_min"
            :label="t.mixingFor"
            unit="min"
            :digits="1"
            :usual="answer?.mixing_min"
          />
          <PickField v-if="byMotor" v-model="asked.speed" :label="t.speed" :options="speeds" />
        </div>
      </InTurn>
      <InTurn>
        <h2>{{ t.now }}</h2>
        <WarmthSlider v-model="asked.flour_c" :label="t.flour" v-bind="limits.INGREDIENT_C" />
        <WarmthSlider v-model="asked.room_c" :label="t.room" v-bind="limits.INGREDIENT_C" />
        <WarmthSlider
          v-if="chosen.preferments"
          v-model="asked.levain_c"
          :label="t.levain"
          v-bind="limits.INGREDIENT_C"
        />
        <WarmthSlider v-model="asked.tap_c" :label="t.tap" v-bind="limits.POURED_TAP_C" />
      </InTurn>
      <InTurn>
        <TickField v-model="hot" :label="t.hasHot" />
        <WarmthSlider v-if="hot" v-model="hotC" :label="t.hotTap" v-bind="limits.HOT_TAP_C" />
        <TickField v-model="freezer" :label="t.freezer" />
        <PickField v-model="material" :label="t.bowl" :options="bowls" />
        <template v-if="asked.bowl">
          <MassField v-model="asked.bowl.g" :label="t.bowlG" />
          <WarmthSlider v-model="asked.bowl.c" :label="t.bowlC" v-bind="limits.BOWL_C" />
        </template>
        <AmountField
          v-model="altitude"
          :label="words.kitchen.altitude"
          v-bind="limits.ALTITUDE_M"
          :step="50"
        />
      </InTurn>
    </div>

    <div class="see" aria-live="polite">
      <p v-if="refused" class="inverted error" role="alert">{{ refused.message }}</p>
      <div v-if="!answer" class="waiting"></div>
      <section v-else class="answer" :class="{ stale: refused || pending }">
        <p class="headline">
          <span class="clock huge">{{ warmth(answer.water.drawn_c) }}</span>
          <span>
            {{ mass(answer.water_g) }} {{ t.ofWater }}<br />
            {{ t.gives }} <strong>{{ warmth(answer.water.dough_c) }}</strong><template v-if="off"
              >, {{ t.not }} {{ warmth(asked.target_dough_c) }}</template
            >
          </span>
        </p>
        <div class="how">
          <WaterJugs
            big
            :water="answer.water"
            :tap-c="asked.tap_c"
            :kettle-c="answer.kettle_c"
            :hot-tap-c="asked.hot_tap_c"
            :ice-c="asked.ice_c"
          />
          <div class="reasons">
            <p v-for="warning in answer.water.warnings" :key="warning.code" class="mind">
              {{ say(warning.text) }}
            </p>
            <dl class="why">
              <div>
                <dt>{{ t.balance }}</dt>
                <dd class="clock">{{ warmth(answer.water.water_c) }}</dd>
              </div>
              <div>
                <dt>{{ t.factor }}</dt>
                <dd class="clock">{{ warmth(answer.water.factor_method_water_c) }}</dd>
              </div>
            </dl>
            <p v-if="answer.water.factor_why" class="reason">{{ say(answer.water.factor_why) }}</p>
            <p class="small quiet">{{ friction }}. {{ mixed }}</p>
          </div>
        </div>
      </section>
      <InTurn v-if="answer">
        <section>
          <h2 class="advised">{{ t.advice }}</h2>
          <div class="advice" role="group" :aria-label="t.advice">
            <button
              v-for="each in answer.advice"
              :key="each.pace"
              type="button"
              :aria-pressed="asked.target_dough_c >= each.low_c && asked.target_dough_c <= each.high_c"
              @click="asked.target_dough_c = each.aim_c"
            >
              <span class="pace">
                <strong>{{ t.paces[each.pace] }}</strong>
                <span class="clock">{{ warmthSpan(each) }}</span>
              </span>
              <span class="small quiet">{{ say(each.why) }} {{ bulkOf(each) }}</span>
            </button>
          </div>
        </section>
      </InTurn>
      <InTurn v-if="answer">
        <PouredWaters :asked="asked" :newest="current" />
      </InTurn>
      <InTurn>
        <YeastTest />
      </InTurn>
    </div>
  </div>
</template>

<style scoped>
.room {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr);
  min-height: calc(100vh - 56px);
}
.left {
  display: grid;
  gap: 12px;
  align-content: start;
  padding: 20px 24px 32px 28px;
  border-right: 1px solid var(--hairline);
}
h1 {
  font-size: 1.875rem;
}
h2 {
  margin-top: 8px;
  font-size: 1.0625rem;
}
.see {
  display: grid;
  gap: 32px;
  align-content: start;
  max-width: 900px;
  padding: 20px 28px 40px 24px;
}
.waiting {
  min-height: 480px;
}
.answer {
  display: grid;
  gap: 14px;
}
.headline {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 28px;
  align-items: center;
  font-size: 1.375rem;
  line-height: 1.3;
}
.huge {
  font-size: 4.5rem;
  line-height: 1;
}
.mind {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
.how {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 20px 40px;
  align-items: start;
}
.reasons {
  display: grid;
  gap: 10px;
}
.why {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 40px;
}
.why dd {
  font-size: 1.375rem;
}
.why dt {
  font-size: 0.9375rem;
  color: var(--quiet);
}
.reason {
  max-width: 68ch;
}
.advised {
  margin: 0 0 6px;
  font-size: 1.375rem;
}
.advice {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0 14px;
}
.advice button {
  display: grid;
  gap: 2px;
  padding: 8px 8px 8px 10px;
  border: 0;
  border-left: 3px solid var(--hairline);
  background: none;
  text-align: left;
  align-content: start;
  cursor: pointer;
}
.advice button[aria-pressed='true'] {
  border-left-color: var(--ink);
  background: var(--paper);
}
.pace {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.work {
  display: flex;
  gap: 14px;
  align-items: end;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
.stale {
  opacity: 0.45;
}
@media (max-width: 720px) {
  .room {
    display: flex;
    flex-direction: column-reverse;
  }
  .left {
    border: 0;
    padding: 8px 16px 24px;
  }
  /* What comes later must not push what stands under it. */
  .see {
    min-height: 100vh;
    padding: 16px;
  }
  .huge {
    font-size: 3.5rem;
  }
  .how,
  .advice {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
