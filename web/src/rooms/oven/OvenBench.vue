<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Asked } from '../../api/client'
import { limits } from '../../api/limits'
import BakeLandscape from '../../charts/BakeLandscape.vue'
import LoadDrawing from '../../charts/LoadDrawing.vue'
import MassField from '../../forms/MassField.vue'
import AmountField from '../../forms/AmountField.vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import FormulaPicker from '../../forms/FormulaPicker.vue'
import PickField from '../../forms/PickField.vue'
import { useFormulas } from '../../shell/formulas'
import { useKitchen } from '../../shell/kitchen'
import { asRefused } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { useKeepMethod } from '../formulas/keepMethod'
import { planWith } from '../plan/draft'
import BakeSteps from './BakeSteps.vue'
import BesideBakes from './BesideBakes.vue'
import MyBakes from './MyBakes.vue'
import OvenLearnt from './OvenLearnt.vue'
import SchoolList from './SchoolList.vue'
import SignsSheet from './SignsSheet.vue'
import StageRows from './StageRows.vue'
import { useOven, type Loaf } from './useOven'
import WayList from './WayList.vue'
import InTurn from '../../shell/InTurn.vue'
import WoodFire from './WoodFire.vue'

const FallingFloor = defineAsyncComponent(() => import('./FallingFloor.vue'))

/** The work of the room: a loaf and a wish, the ways to bake it, and the bake of the one that is chosen. */
const emit = defineEmits<{ kit: [] }>()
const loaf = defineModel<Loaf>({ required: true })
const t = words.oven
const { say, warmth, mass } = useUnits()
const oven = useOven(loaf)
const { ways, chosen, baked, schools, refused, unranked, stages } = oven
const beside = ref<string[]>([])
const quieted = ref(false)
const { lineOf } = useFormulas()
const formula = computed(() => lineOf(loaf.value.formula_id))
const wishes = Object.entries(t.wishes).map(([value, label]) => ({
  value: value as NonNullable<Loaf['wish']>,
  label,
}))
const picked = computed({
  get: () => loaf.value.formula_id,
  set: (id) => {
    const found = lineOf(id)
    if (!found) return
    loaf.value = {
      ...loaf.value,
      formula_id: id,
      pieces: found.pieces,
      piece_g: found.scaling_weight_g,
    }
  },
})
const pieces = computed({
  get: () => loaf.value.pieces ?? 1,
  set: (value) => (loaf.value = { ...loaf.value, pieces: value }),
})
const grams = computed({
  get: () => Math.round(loaf.value.piece_g ?? 800),
  set: (value) => (loaf.value = { ...loaf.value, piece_g: value }),
})
const from = computed({
  get: () => (loaf.value.cold ? 'fridge' : 'room'),
  set: (value) => (loaf.value = { ...loaf.value, cold: value === 'fridge' }),
})
const wish = computed({
  get: () => loaf.value.wish ?? 'usual',
  set: (value) => (loaf.value = { ...loaf.value, wish: value }),
})
const { settings } = useKitchen()
const wood = computed(() => settings.value?.oven?.kind === 'wood')
const fired = computed({
  get: () => loaf.value.fired,
  set: (value) => (loaf.value = { ...loaf.value, fired: value }),
})
watch([chosen, loaf], () => (quieted.value = false))
watch(loaf, () => (beside.value = []))
const besideWays = computed(() => (ways.value ?? []).filter((way) => beside.value.includes(way.key)))
const drawnStages = computed(() => (stages.value.length ? stages.value : (baked.value?.stages ?? [])))
const altered = computed(() => stages.value.length > 0)
const refusals = computed(() => baked.value?.hazards.filter((hazard) => hazard.weight === 'refused') ?? [])
const print = () => window.print()

/** What became of the bake that was taken. */
const taken = ref('')
watch([chosen, stages, loaf], () => (taken.value = ''))
const router = useRouter()
const keepMethod = useKeepMethod()
/** The formula's method, baked as the bake that is drawn now. */
async function method() {
  const { method } = await ask(api.POST('/api/oven/method', { body: oven.body.value }))
  return method as unknown as NonNullable<Asked['method']>
}
async function planSo() {
  const { formula_id, pieces, piece_g } = loaf.value
  try {
    planWith(formula_id, { method: await method(), pieces, scaling_weight_g: piece_g })
    await router.push('/plan')
  } catch (error) {
    taken.value = asRefused(error).message
  }
}
async function keepSo() {
  try {
    taken.value = t.keptSo({ name: await keepMethod(loaf.value.formula_id, await method()) })
  } catch (error) {
    taken.value = asRefused(error).message
  }
}
</script>

<template>
  <div class="bench">
    <div class="left no-print">
      <h1>{{ t.title }}</h1>
      <FormulaPicker v-model="picked" :label="t.loaf" />
      <div class="pair">
        <AmountField v-model="pieces" :label="t.pieces" v-bind="limits.PIECES_IN_OVEN" :step="1" />
        <MassField v-model="grams" :label="t.grams" />
      </div>
      <ChoiceRow
        v-model="from"
        :legend="t.from"
        :options="[
          { value: 'fridge', label: t.fridge },
          { value: 'room', label: t.room },
        ]"
      />
      <PickField v-model="wish" :label="t.wish" :options="wishes" />
      <WoodFire v-if="wood" v-model="fired" />
      <InTurn>
        <MyBakes :bake="chosen ? oven.body.value : null" :waits="oven.pending.value" @choose="oven.take" />
      </InTurn>
      <h2>{{ t.ways }}</h2>
      <p v-if="unranked" role="alert" class="inverted error">{{ say(unranked) }}</p>
      <p v-else-if="!ways" class="quiet ways-wait">{{ words.loading }}</p>
      <WayList
        v-else
        :ways="ways"
        :chosen="chosen"
        :beside="beside"
        :key-of="oven.keyOf"
        @choose="oven.choose"
        @beside="(keys) => (beside = keys)"
      />
      <ElButton class="plain kit" @click="emit('kit')">{{ t.kit }}</ElButton>
    </div>
    <div class="middle">
      <template v-if="baked">
        <header>
          <p class="big clock">{{ t.big({ min: Math.round(baked.curve.at(-1)!.min) }) }}</p>
          <div>
            <p>
              <strong>{{ baked.vessel }}</strong>, {{ formula?.name }}, {{ mass(grams) }}
            </p>
            <p role="status">{{ say(baked.said) }}</p>
          </div>
        </header>
        <p v-if="refused" role="alert" class="inverted error">{{ say(refused) }}</p>
        <p v-for="hazard in refusals" :key="hazard.code" role="alert" class="inverted error">
          {{ say(hazard.text) }}
        </p>
        <InTurn>
          <BakeLandscape :bake="baked" :stages="drawnStages" @change="oven.alter" />
        </InTurn>
        <p v-if="baked.soak_short_k >= 12" class="short">
          {{ t.shortSoak({ k: Math.round(baked.soak_short_k), need: baked.soak_min }) }}
        </p>
        <p v-if="baked.short_k > 0" class="short">{{ t.weak({ k: Math.round(baked.short_k) }) }}</p>
        <InTurn>
          <StageRows
            class="no-print"
            :bake="baked"
            :stages="drawnStages"
            :altered="altered || oven.preheat.value != null || oven.poured.value.length > 0"
            @change="oven.alter"
            @heat="oven.heat"
            @hot="oven.hot"
            @pour="oven.pour"
            @usual="oven.usual"
          />
        </InTurn>
        <p class="small quiet facts">
          {{
            t.endFacts({
              core: warmth(baked.end.core_c),
              shade: baked.end.shade,
              mm: baked.end.crust_mm.toFixed(1),
              loss: (baked.end.loss * 100).toFixed(1),
              spring: Math.round(baked.end.spring),
            })
          }}
        </p>
        <FallingFloor v-if="wood && loaf.fired" :fired="loaf.fired" />
        <InTurn>
          <LoadDrawing :load="baked.load" />
        </InTurn>
        <InTurn v-if="besideWays.length">
          <BesideBakes :loaf="loaf" :first="baked" :ways="besideWays" />
        </InTurn>
        <InTurn v-if="schools">
          <SchoolList class="no-print" :schools="schools" />
        </InTurn>
        <InTurn>
          <SignsSheet
            class="no-print"
            :bake="oven.body.value"
            :chips="baked.chips"
            :length="baked.curve.at(-1)!.min"
            @taught="oven.again"
          />
        </InTurn>
        <InTurn>
          <OvenLearnt @changed="oven.again" />
        </InTurn>
      </template>
      <p v-else-if="refused" role="alert" class="inverted error">{{ say(refused) }}</p>
      <p v-else-if="ways && !ways.some((way) => !way.unfit)" role="status">{{ t.nothingFits }}</p>
      <p v-else class="quiet">{{ words.loading }}</p>
    </div>
    <div class="right">
      <div v-if="baked" class="take no-print">
        <strong>{{ t.likeThis }}</strong>
        <ElButton class="action" :disabled="oven.pending.value" @click="planSo">{{ t.planSo }}</ElButton>
        <ElButton class="link" :disabled="oven.pending.value" @click="keepSo">{{ t.keepSo }}</ElButton>
        <p v-if="taken" role="status" class="small">{{ taken }}</p>
      </div>
      <InTurn v-if="baked">
        <BakeSteps
          :bake="baked"
          :quieted="quieted"
          :paper="oven.paper.value"
          @quiet="quieted = true"
          @paper="(value) => (oven.paper.value = value)"
        />
      </InTurn>
      <ElButton v-if="baked" class="plain no-print card" @click="print">{{ t.print }}</ElButton>
    </div>
  </div>
</template>

<style scoped>
.ways-wait {
  min-height: 26rem;
}
.bench {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr) 272px;
  min-height: calc(100vh - 56px);
}
.left {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  align-content: start;
  padding: 20px 24px 32px 28px;
  border-right: 1px solid var(--hairline);
}
h1 {
  font-size: 1.875rem;
}
.left h2 {
  margin-top: 10px;
}
.pair {
  display: grid;
  gap: 8px;
}
.pair > :deep(div) {
  display: grid;
  grid-template-columns: 92px 1fr;
  align-items: center;
}
.pair :deep(.el-input-number) {
  width: 100%;
}
.kit {
  margin-top: 10px;
}
.middle {
  min-width: 0;
  padding: 20px 28px 40px;
}
.middle header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  margin-bottom: 8px;
}
.big {
  font-size: 2.75rem;
  line-height: 1;
  white-space: nowrap;
}
.short {
  margin: 0 0 12px;
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
.facts {
  margin-top: 12px;
}
.right {
  padding: 20px 24px 32px;
  border-left: 1px solid var(--hairline);
}
.take {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-bottom: 18px;
}
.take .action {
  width: 100%;
}
.card {
  margin-top: 16px;
}
.error {
  padding: 8px 12px;
}
@media (max-width: 1100px) {
  .bench {
    grid-template-columns: 264px minmax(0, 1fr);
  }
  .right {
    grid-column: 2;
    border-left: 0;
  }
}
@media (max-width: 720px) {
  .bench {
    display: block;
  }
  .left,
  .middle,
  .right {
    padding: 16px;
    border: 0;
  }
  .big {
    font-size: 2.25rem;
  }
}
@media print {
  .bench {
    display: block;
  }
  .middle {
    padding: 0 0 8px;
  }
  .right {
    border: 0;
    padding: 0;
  }
}
</style>
