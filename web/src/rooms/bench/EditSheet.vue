<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import ClockField from '../../forms/ClockField.vue'
import MassField from '../../forms/MassField.vue'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import type { BenchDough } from '../../shell/bench'
import { dayAfter, nameOfDay } from '../../shell/days'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { told, words } from '../../words'
import { byHand, stageName } from './byHand'
import SheetFrame from './SheetFrame.vue'

/** What may be changed by hand of a dough, what would come of it, and one press that does it. */
const props = defineProps<{ dough: BenchDough; now: number }>()
const emit = defineEmits<{ close: []; change: [body: Record<string, unknown>, says: string] }>()
const t = words.byHand
const DAYS = 7
const { dayKey, clock, say } = useUnits()
type Offer = Schemas['Offer']

const asked = useQuery({
  queryKey: ['edits', props.dough.id, props.dough.events_in_all],
  queryFn: () => ask(api.GET('/api/bench/{key}/edits', { params: { path: { key: props.dough.id } } })),
})
const offers = computed(() => asked.data.value?.offers ?? [])
const manyParts = computed(() => new Set(offers.value.map((each) => each.part).filter(Boolean)).size > 1)
const called = (offer: Offer) => {
  const what = t.codes[offer.code]!
  return offer.part && manyParts.value ? t.ofPart({ what, part: offer.part }) : what
}
const hint = (offer: Offer) => told(t.hints[offer.code]!, { stage: stageName(offer.kind) })

const chosen = ref<Offer | null>(null)
const day = ref('')
const time = ref('')
const pieces = ref(1)
const extra = ref('')
const minutes = ref(20)
const vessel = ref('')
const grams = ref(0)

/** What is chosen begins with what the program offers. */
function choose(offer: Offer) {
  chosen.value = offer
  day.value = offer.until ? dayKey(offer.until) : ''
  time.value = offer.until ? clock(offer.until) : ''
  pieces.value = offer.pieces
  extra.value = offer.extra[0]?.kind ?? ''
  vessel.value = offer.vessels[0]?.id ?? ''
  grams.value = offer.dough_g ?? 0
}
const added = computed(() => chosen.value?.extra.find((each) => each.kind === extra.value) ?? null)
watch(added, (one) => (minutes.value = one?.minutes ?? minutes.value))
const today = computed(() => dayKey(new Date(props.now).toISOString()))
const days = computed(() =>
  Array.from({ length: DAYS }, (_, n) => dayAfter(today.value, n)).map((value) => ({
    value,
    label: nameOfDay(value),
  })),
)

const body = computed<Schemas['EditWish'] | null>(() => {
  const offer = chosen.value
  if (!offer || (offer.code === 'stage' && !added.value)) return null
  const wish = { code: offer.code, stage: offer.stage, until: '', kind: '', vessel: '' }
  if (offer.until) wish.until = `${day.value}T${time.value}`
  if (added.value)
    return { ...wish, stage: added.value.after, kind: added.value.kind, minutes: minutes.value }
  if (offer.code === 'split') return { ...wish, pieces: pieces.value }
  if (offer.code === 'vessel') return { ...wish, vessel: vessel.value }
  return offer.code === 'weighed' ? { ...wish, dough_g: grams.value } : wish
})
const trying = useNewest(
  () => body.value,
  (wish) =>
    ask(api.POST('/api/bench/{key}/edits', { params: { path: { key: props.dough.id } }, body: wish })),
  { wait: 150 },
)
const comes = computed(() => trying.answer.value?.tried.sentence ?? '')
const { pending } = trying
const problem = computed(() => trying.refused.value?.message ?? '')

async function go() {
  const found = await trying.current()
  const offer = chosen.value
  if (!found || !body.value || !offer) return
  emit('change', { ...body.value }, byHand({ ...body.value, stage: offer.kind }))
}
</script>

<template>
  <SheetFrame :title="t.title" :lead="t.lead({ name: dough.name })" @close="emit('close')">
    <p v-if="asked.isError.value" role="alert">{{ words.failed }}</p>
    <p v-else-if="asked.data.value && !offers.length">{{ t.nothing }}</p>
    <div class="sides">
      <ul class="offers" :aria-label="t.title">
        <li v-for="offer in offers" :key="`${offer.code} ${offer.stage}`">
          <ElButton
            class="plain offer"
            :class="{ on: chosen === offer }"
            :aria-pressed="chosen === offer"
            @click="choose(offer)"
          >
            {{ called(offer) }}
          </ElButton>
        </li>
      </ul>
      <form v-if="chosen" class="form" @submit.prevent="go">
        <p>{{ hint(chosen) }}</p>
        <NumberField v-if="chosen.code === 'split'" v-model="pieces" :label="t.pieces" />
        <template v-if="chosen.until">
          <ChoiceRow v-model="day" :legend="t.day" :options="days" />
          <ClockField v-model="time" :label="chosen.code === 'split' ? t.readyAt : t.outAt" steps />
        </template>
        <template v-if="chosen.code === 'stage'">
          <ChoiceRow
            v-model="extra"
            :legend="t.which"
            :options="chosen.extra.map(({ kind }) => ({ value: kind, label: stageName(kind) }))"
          />
          <NumberField v-model="minutes" :label="t.minutes" unit="min" />
        </template>
        <PickField
          v-if="chosen.code === 'vessel'"
          v-model="vessel"
          :label="t.vessel"
          :options="chosen.vessels.map(({ id, name }) => ({ value: id, label: name }))"
        />
        <MassField v-if="chosen.code === 'weighed'" v-model="grams" :label="t.weight" />
        <p v-if="problem" role="alert" class="trouble">{{ problem }}</p>
        <p v-else class="comes" :class="{ awaited: pending }" role="status">
          {{ comes ? say(comes, now) : t.reckoning }}
        </p>
        <ElButton native-type="submit" class="action" :disabled="!!problem">{{ t.do }}</ElButton>
      </form>
    </div>
  </SheetFrame>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: 300px minmax(0, 560px);
  gap: 20px 40px;
  align-items: start;
  font-size: 1.1875rem;
}
.offers {
  display: grid;
  gap: 8px;
}
.offer {
  justify-content: start;
  width: 100%;
  min-height: 52px;
  font-size: 1.1875rem;
}
.offer.on {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--flour);
}
.form {
  display: grid;
  gap: 14px;
}
.comes {
  padding-left: 12px;
  border-left: 3px solid var(--ink);
  font-weight: 650;
}
.trouble {
  font-weight: 650;
}
.action {
  min-height: 60px;
  font-size: 1.25rem;
}
@media (max-width: 900px) {
  .sides {
    grid-template-columns: 1fr;
  }
}
</style>
