<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import MaybeMassField from '../../forms/MaybeMassField.vue'
import ClockField from '../../forms/ClockField.vue'
import MaybeField from '../../forms/MaybeField.vue'
import PickField from '../../forms/PickField.vue'
import { dayAfter, nameOfDay } from '../../shell/days'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import CueRow from './CueRow.vue'
import DeskFrame from './DeskFrame.vue'
import type { CultureView, EventBody } from './useCulture'
import FoldedPart from '../../forms/FoldedPart.vue'

/** What is seen, smelt and measured of a culture; any of it may be left out. */
const props = defineProps<{ culture: CultureView; now: number }>()
const emit = defineEmits<{ log: [EventBody]; close: [] }>()
const t = words.cultures
const { clock, dayKey, fahrenheit, fromDegrees } = useUnits()
const DAYS_BACK = 14
const height = ref<number | null>(null)
const warm = ref<number | null>(null)
const gross = ref<number | null>(null)
const note = ref('')
const smells = ref('')
const weighed = computed(() => props.culture.culture.jar.empty_g != null)
const day = ref(dayKey(props.now))
const at = ref(clock(props.now))
const days = computed(() =>
  Array.from({ length: DAYS_BACK }, (_, back) => {
    const value = dayAfter(dayKey(props.now), -back)
    return { value, label: back === 0 ? words.plan.today : nameOfDay(value, true) }
  }),
)
type Cue = 'surface' | 'floated' | 'smell' | 'liquid' | 'growth'
const cues = reactive<Record<Cue, string | null>>({
  surface: null,
  floated: null,
  smell: null,
  liquid: null,
  growth: null,
})
const rows = (Object.keys(t.cues) as Cue[]).map((cue) => ({
  cue,
  legend: t.cueNames[cue],
  values: t.cues[cue] as Record<string, string>,
  drawn: cue === 'surface' || cue === 'floated',
}))
const time = () =>
  at.value === clock(props.now) && day.value === dayKey(props.now) ? null : `${day.value}T${at.value}`
const weigh = () =>
  emit('log', { kind: 'weighed', [weighed.value ? 'gross_g' : 'g']: gross.value, at: time() })
function log() {
  emit('log', {
    kind: 'seen',
    height_mm: height.value,
    culture_c: warm.value === null ? null : fromDegrees(warm.value),
    note: note.value,
    smell_words: smells.value,
    at: time(),
    ...(cues as Partial<EventBody>),
  })
}
</script>

<template>
  <DeskFrame :title="t.lookTitle" @close="emit('close')">
    <form novalidate @submit.prevent="log">
      <div class="line">
        <MaybeField v-model="height" :label="t.heightNow" unit="mm" />
        <MaybeField v-model="warm" :label="t.itsWarmth" :unit="fahrenheit ? '°F' : '°C'" />
        <PickField v-model="day" :label="t.day" :options="days" />
        <ClockField v-model="at" class="at" :label="t.at" />
      </div>
      <div class="cues">
        <CueRow
          v-for="row in rows"
          :key="row.cue"
          v-model="cues[row.cue]"
          :legend="row.legend"
          :values="row.values"
          :drawn="row.drawn"
        />
      </div>
      <div class="line">
        <label class="note">
          <span class="small quiet">{{ t.smellWords }}</span>
          <ElInput v-model="smells" maxlength="120" />
        </label>
        <label class="note">
          <span class="small quiet">{{ t.lookNote }}</span>
          <ElInput v-model="note" maxlength="500" />
        </label>
        <ElButton native-type="submit" class="action">{{ t.logLook }}</ElButton>
      </div>
      <FoldedPart :title="weighed ? t.weighTitle : t.weighAlone">
        <div class="line">
          <MaybeMassField v-model="gross" :label="weighed ? t.gross : t.cultureAlone" />
          <ElButton class="plain" :disabled="gross === null" @click="weigh">
            {{ t.logWeight }}
          </ElButton>
        </div>
      </FoldedPart>
    </form>
  </DeskFrame>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.note {
  display: grid;
}
.note {
  flex: 1;
  min-width: 200px;
}
.cues {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 32px;
}
@media (max-width: 720px) {
  .line .action {
    width: 100%;
  }
}
</style>
