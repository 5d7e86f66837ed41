<script setup lang="ts">
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import { limits } from '../../api/limits'
import DoughStanding from '../../charts/DoughStanding.vue'
import LookDrawing from '../../charts/LookDrawing.vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import FormulaPicker from '../../forms/FormulaPicker.vue'
import SliderField from '../../forms/SliderField.vue'
import { useActing } from '../../shell/acting'
import { useFormulas } from '../../shell/formulas'
import { newKey } from '../../shell/keys'
import { words } from '../../words'
import DrillScore from './DrillScore.vue'
import DrillSides from './DrillSides.vue'
import DrillTold from './DrillTold.vue'
import LogFrame from './LogFrame.vue'

/** Reading dough for practice: a dough is shown, judged, and told. */
type Stage = 'bulk' | 'final_proof'
const t = words.drill
const client = useQueryClient()
const { lines } = useFormulas()
const formula = ref('')
watch(lines, (found) => (formula.value ||= found[0]?.id ?? ''), { immediate: true })
const stage = ref<Stage>('bulk')
const lot = () => Math.floor(Math.random() * (limits.DRILL_SEED.high + 1))
const seed = ref(lot())
const query = computed(() => ({ formula: formula.value, stage: stage.value, seed: seed.value }))
const found = reactive(
  useQuery({
    queryKey: ['drill', query],
    queryFn: () => ask(api.GET('/api/drill', { params: { query: query.value } })),
    enabled: computed(() => formula.value !== ''),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  }),
)
const told = ref<Schemas['DrillToldAnswer'] | null>(null)
const state = ref('')
const sure = ref<'sure' | 'fairly' | 'guess'>('fairly')
const FIRST_RISE = 50
const rise = ref(FIRST_RISE)
const score = computed(() => told.value?.score ?? found.data?.score ?? null)
const options = <T extends string>(values: readonly T[], names: Record<string, string>) =>
  values.map((value) => ({ value, label: names[value]! }))
const states = options(['early', 'nearly', 'ready', 'late', 'over'], words.judge.states)
const sures = options(['sure', 'fairly', 'guess'] as const, t.sures)
const stages = options(['bulk', 'final_proof'] as const, t.stages)
const where = computed(() => (found.data ? t.containers[found.data.container]! : ''))
/** Another dough: nothing of the one before stays. */
function another() {
  told.value = null
  state.value = ''
  rise.value = FIRST_RISE
  seed.value = lot()
}
watch([formula, stage], another)
const { busy, problem, act } = useActing()
const judge = () =>
  act(async () => {
    const read = stage.value === 'bulk' ? rise.value : null
    const body = {
      ...query.value,
      event: newKey(),
      state: state.value,
      sure: sure.value,
      rise_percent: read,
    }
    told.value = await ask(api.POST('/api/drill', { body }))
    await client.invalidateQueries({ queryKey: ['learning'] })
  })
</script>

<template>
  <LogFrame :lead="t.lead">
    <div class="choose">
      <FormulaPicker v-model="formula" :label="t.of" />
      <ChoiceRow v-model="stage" :legend="t.stage" :options="stages" />
    </div>
    <p v-if="found.error" class="inverted wrong" role="alert">{{ found.error.message }}</p>
    <div v-else-if="found.data" class="drill">
      <figure>
        <DoughStanding :drawn="found.data.drawn" :label="t.picture({ what: where })" />
        <figcaption class="small quiet">{{ where }}. {{ t.dashed }}</figcaption>
      </figure>
      <section class="signs">
        <h2>{{ t.shows }}</h2>
        <ul>
          <li v-for="sign in found.data.signs" :key="sign.cue">
            <LookDrawing :cue="sign.cue" :of="sign.value" />
            <span
              ><span class="small quiet look">{{ sign.look }}</span
              ><br />{{ sign.says }}</span
            >
          </li>
        </ul>
      </section>
      <form v-if="!told" @submit.prevent="judge">
        <ChoiceRow v-model="state" :legend="t.where" :options="states" />
        <SliderField
          v-if="stage === 'bulk'"
          v-model="rise"
          :label="t.rise"
          :said="t.rises({ percent: rise })"
          :min="0"
          :max="200"
          :step="5"
        />
        <ChoiceRow v-model="sure" :legend="t.sure" :options="sures" />
        <p v-if="problem" class="small" role="alert">{{ problem }}</p>
        <ElButton native-type="submit" class="action" :loading="busy" :disabled="!state">{{
          t.judge
        }}</ElButton>
      </form>
      <DrillTold
        v-else
        class="told"
        :told="told"
        :said="state"
        :stage="stage"
        :read="stage === 'bulk' ? rise : null"
        @another="another"
      />
    </div>
    <DrillScore v-if="score?.doughs" :score="score" />
    <DrillSides v-if="formula" :formula="formula" :stage="stage" />
  </LogFrame>
</template>

<style scoped>
.choose {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 32px;
  align-items: end;
}
.choose :deep(.picker) {
  min-width: min(320px, 100%);
}
.drill {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  grid-template-areas: 'look signs' 'say signs';
  gap: 14px 48px;
  align-items: start;
}
figure {
  grid-area: look;
  margin: 0;
}
figure :deep(svg) {
  max-height: 260px;
}
figcaption {
  margin-top: 6px;
  text-align: center;
}
.signs {
  grid-area: signs;
}
.drill > form,
.drill > .told {
  grid-area: say;
}
h2 {
  margin-bottom: 4px;
}
li {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
  line-height: 1.3;
}
.look::first-letter {
  text-transform: uppercase;
}
.look {
  display: inline-block;
}
form {
  display: grid;
  gap: 14px;
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
@media (max-width: 820px) {
  .drill {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'look' 'signs' 'say';
  }
  figure :deep(svg) {
    max-height: 230px;
  }
}
</style>
