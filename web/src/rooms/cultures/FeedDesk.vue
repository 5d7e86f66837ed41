<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { limits } from '../../api/limits'
import { api, ask } from '../../api/client'
import FeedWays from '../../charts/FeedWays.vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import ClockField from '../../forms/ClockField.vue'
import MassField from '../../forms/MassField.vue'
import MaybeField from '../../forms/MaybeField.vue'
import PickField from '../../forms/PickField.vue'
import WarmthSlider from '../../forms/WarmthSlider.vue'
import { dayAfter } from '../../shell/days'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import DeskFrame from './DeskFrame.vue'
import { dayChoices } from './dayChoices'
import { type CultureView, type EventBody } from './useCulture'
import TickField from '../../forms/TickField.vue'
import FlourMix from './FlourMix.vue'
import FoldedPart from '../../forms/FoldedPart.vue'

/** Feed a culture: log what went in, or ask for so much ripe levain at a time and feed as that wants it. */
const props = defineProps<{ culture: CultureView; now: number; problem: string }>()
const emit = defineEmits<{ log: [EventBody]; close: [] }>()
const t = words.cultures
const { clock, dayKey, mass, dayClock, fahrenheit, toDegrees, fromDegrees, say } = useUnits()

const last = props.culture.life?.fed
const usual = props.culture.culture.hydration_percent / 100
const put = reactive({
  seed_g: last?.seed_g || 20,
  flour_g: last?.flour_g || 60,
  water_g: last?.water_g || Math.round(60 * usual),
})
const at = ref(clock(props.now))
const warm = ref<number | null>(null)
const mark = ref<number | null>(null)
const other = ref(Boolean(last?.flour_kind))
const mix = reactive({
  flour_kind: last?.flour_kind ?? props.culture.culture.flour_kind,
  also_flours: (last?.flour_kind ? last.also_flours : props.culture.culture.also_flours).map((each) => ({
    ...each,
  })),
})
/** A time that is still to come today is yesterday's: a feed before midnight is often logged after it. */
function feed() {
  const today = dayKey(props.now)
  const day = at.value > clock(props.now) ? dayAfter(today, -1) : today
  const time = at.value === clock(props.now) ? null : `${day}T${at.value}`
  emit('log', {
    kind: 'fed',
    ...put,
    culture_c: warm.value === null ? null : fromDegrees(warm.value),
    height_mm: mark.value,
    at: time,
    ...(other.value ? { flour_kind: mix.flour_kind, also_flours: mix.also_flours } : {}),
  })
}

const wish = reactive({
  needed_g: 180,
  kept_g: 30,
  day: dayAfter(dayKey(props.now), 1),
  time: '08:30',
  place: 'counter',
  warm_c: 26,
})
const chosen = ref(0)
const AHEAD = 10
const days = computed(() => dayChoices(dayKey(props.now), wish.day, AHEAD))
const asking = useNewest(
  () =>
    !props.culture.life || props.culture.guide
      ? null
      : {
          needed_g: wish.needed_g,
          kept_g: wish.kept_g,
          at: `${wish.day}T${wish.time}`,
          warm_c: wish.place === 'warm' ? wish.warm_c : null,
        },
  (body) => ask(api.POST('/api/cultures/{key}/feed', { params: { path: { key: props.culture.id } }, body })),
  { wait: 250, complete: () => (chosen.value = 0) },
)
const { pending } = asking
const found = computed(() => asking.answer.value?.found ?? null)
const refused = computed(() => asking.refused.value?.message ?? '')
const ways = computed(() =>
  found.value
    ? found.value.ways.length
      ? found.value.ways
      : found.value.night_way
        ? [found.value.night_way]
        : []
    : [],
)
const way = computed(() => ways.value[chosen.value] ?? null)
const first = computed(() => way.value?.feeds[0] ?? null)
const dueNow = computed(() => first.value !== null && Date.parse(first.value.at) - props.now < 20 * 60_000)
async function takeWay() {
  if (!(await asking.current()) || !first.value) return
  const { build } = first.value.feed
  Object.assign(put, {
    seed_g: Math.round(build.seed_g),
    flour_g: Math.round(build.flour_g),
    water_g: Math.round(build.water_g),
  })
  document.getElementById('put-in')?.scrollIntoView({ block: 'center' })
}
/** The feeds as usual that come before, in a word. */
const asUsual = computed(() => {
  const feeds = found.value?.usual ?? []
  if (!feeds.length) return ''
  return t.usualFirst({ count: feeds.length, from: dayClock(feeds[0]!), to: dayClock(feeds.at(-1)!) })
})
const over = computed(() =>
  way.value?.ripe.likely && way.value.spent.likely
    ? t.ripeSpan({ from: dayClock(way.value.ripe.likely), to: clock(way.value.spent.likely) })
    : '',
)
</script>

<template>
  <DeskFrame :title="t.feedTitle({ name: culture.culture.name })" @close="emit('close')">
    <form id="put-in" class="line put" novalidate @submit.prevent="feed">
      <MassField v-model="put.seed_g" :label="t.labels.seed" />
      <MassField v-model="put.flour_g" :label="t.labels.flour" />
      <MassField v-model="put.water_g" :label="t.labels.water" />
      <ElButton native-type="submit" class="action">{{ t.logFeed }}</ElButton>
      <FoldedPart :title="t.moreOfFeed">
        <div class="line">
          <ClockField v-model="at" class="at" :label="t.at" />
          <MaybeField
            v-model="warm"
            :label="t.mixedAt"
            :unit="fahrenheit ? '°F' : '°C'"
            :usual="Math.round(toDegrees(24))"
          />
          <MaybeField v-model="mark" :label="t.markAt" unit="mm" />
        </div>
        <TickField v-model="other" :label="t.otherFlour" />
        <FlourMix
          v-if="other"
          v-model:kind="mix.flour_kind"
          v-model:also="mix.also_flours"
          :label="t.labels.flour"
        />
      </FoldedPart>
    </form>
    <template v-if="culture.life && !culture.guide">
      <h3>{{ t.wishTitle }}</h3>
      <div class="line">
        <MassField v-model="wish.needed_g" :label="t.needed" />
        <MassField v-model="wish.kept_g" :label="t.kept" />
        <PickField v-model="wish.day" :label="t.day" :options="days" />
        <ClockField v-model="wish.time" class="at" :label="t.ripeAt" />
        <ChoiceRow
          v-model="wish.place"
          :legend="t.stands"
          :options="[
            { value: 'counter', label: t.standsCounter },
            { value: 'warm', label: t.standsWarm },
          ]"
        />
        <WarmthSlider
          v-if="wish.place === 'warm'"
          v-model="wish.warm_c"
          class="warm"
          :label="t.warmC"
          v-bind="limits.WARM_PLACE_C"
        />
      </div>
      <p v-if="refused" class="inverted error" role="alert">{{ refused }}</p>
      <template v-else-if="found">
        <p v-if="found.as_it_is" class="mind">{{ t.asItIs }}</p>
        <p v-if="found.why_not" class="inverted error" role="status">
          {{ say(found.why_not) }}
          <template v-if="found.soonest"> {{ t.soonest }} {{ dayClock(found.soonest) }}.</template>
        </p>
        <p v-if="!found.ways.length && found.night_way" class="mind">{{ t.nightWay }}</p>
        <FeedWays v-if="ways.length" :answer="found" :chosen="chosen" :now="now" @choose="chosen = $event" />
        <div v-if="way" class="chosen" :class="{ awaited: pending }">
          <div>
            <p class="over clock">{{ over }}</p>
            <p v-if="asUsual" class="usual">
              {{ asUsual }} <template v-if="found.assumed">{{ t.usualAssumed }}</template>
            </p>
            <p v-for="each in way.feeds" :key="each.at" class="step">
              <strong class="clock">{{ dayClock(each.at) }}</strong>
              <span>{{ mass(each.feed.build.seed_g) }} {{ culture.culture.name }}</span>
              <span>{{ mass(each.feed.build.flour_g) }} {{ t.flour }}</span>
              <span>{{ mass(each.feed.build.water_g) }} {{ t.water }}</span>
            </p>
            <p v-if="way.jar_sentence" class="mind">{{ way.jar_sentence }}</p>
          </div>
          <div class="notes small">
            <p>{{ t.spare({ mass: mass(way.way.discard_g), flour: mass(way.way.flour_g) }) }}</p>
            <p v-for="caution in found.cautions" :key="caution.code" class="quiet">{{ say(caution.text) }}</p>
            <button type="button" :class="dueNow ? 'action' : 'plain'" @click="takeWay">
              {{ t.takeWay }}
            </button>
          </div>
        </div>
      </template>
    </template>
  </DeskFrame>
</template>

<style scoped>
.warm {
  width: 220px;
}
.mind {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
.chosen {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: 24px;
}
.over {
  font-size: 1.375rem;
  margin-bottom: 6px;
}
.step {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  padding: 6px 0;
  border-top: 1px solid var(--hairline);
}
.step .clock {
  min-width: 92px;
}
.notes {
  display: grid;
  gap: 6px;
  align-content: start;
  justify-items: start;
}
@media (max-width: 720px) {
  .chosen {
    grid-template-columns: minmax(0, 1fr);
  }
  .put .action {
    width: 100%;
  }
}
</style>
