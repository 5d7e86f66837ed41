<script setup lang="ts">
import { computed, reactive } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import ClockField from '../../forms/ClockField.vue'
import MassField from '../../forms/MassField.vue'
import PickField from '../../forms/PickField.vue'
import { useNow } from '../../shell/kitchen'
import { useFlours } from '../../shell/flours'
import { dayAfter } from '../../shell/days'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { dayChoices } from './dayChoices'

/** A rye sour led in stages, each with its own warmth and stiffness, back from the hour at which it is wanted. */
const props = defineProps<{ cultures: Schemas['CultureLine'][] }>()
const t = words.cultures
const now = useNow()
const { dayKey, dayClock, mass, warmth, say } = useUnits()
const { names } = useFlours()
const able = computed(() => props.cultures.filter((line) => line.life && !line.guide))
const wish = reactive({
  needed_g: 800,
  day: dayAfter(dayKey(now.value), 2),
  time: '07:30',
  stages: 'three' as 'two' | 'three',
  flour_kind: 'whole_rye' as 'rye' | 'whole_rye',
  culture: null as string | null,
})
/** A rye culture if there is one, until another is chosen. */
const culture = computed({
  get: () => wish.culture ?? able.value.find((line) => line.culture.flour_kind.includes('rye'))?.id ?? '',
  set: (value) => (wish.culture = value),
})
const days = computed(() => dayChoices(dayKey(now.value), wish.day))
const {
  answer: found,
  refused,
  pending,
} = useNewest(
  () => ({
    needed_g: wish.needed_g,
    at: `${wish.day}T${wish.time}`,
    stages: wish.stages,
    flour_kind: wish.flour_kind,
    culture_id: culture.value || null,
  }),
  (body) => ask(api.POST('/api/sour', { body })),
)
const problem = computed(() => refused.value?.message ?? '')
const instant = (hours: number) => Date.parse(found.value!.origin) + hours * 3_600_000
const readyH = computed(() => {
  const last = found.value!.sour.stages.at(-1)!
  return last.at_h + last.hours
})
const seedName = (index: number, stages: Schemas['SourStage'][]) =>
  index === 0
    ? (able.value.find((line) => line.id === culture.value)?.culture.name ?? t.seed)
    : t.allOf({ stage: stages[index - 1]!.name.toLowerCase() })
</script>

<template>
  <div class="desk">
    <h2>{{ t.sourTitle }}</h2>
    <div class="row">
      <MassField v-model="wish.needed_g" :label="t.needed" />
      <PickField v-model="wish.day" :label="t.ripeOn" :options="days" />
      <ClockField v-model="wish.time" class="at" :label="t.ripeAt" />
      <PickField
        v-model="wish.flour_kind"
        :label="t.labels.flour"
        :options="[
          { value: 'whole_rye', label: names.whole_rye ?? '' },
          { value: 'rye', label: names.rye ?? '' },
        ]"
      />
      <PickField
        v-model="culture"
        :label="t.from"
        :options="[
          ...able.map((line) => ({ value: line.id, label: line.culture.name })),
          { value: '', label: t.anyLively },
        ]"
      />
    </div>
    <ChoiceRow
      v-model="wish.stages"
      :legend="t.stages"
      :options="[
        { value: 'two', label: t.two },
        { value: 'three', label: t.three },
      ]"
    />
    <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
    <div v-if="found" class="answered" :class="{ awaited: pending }">
      <p v-if="!found.sour.in_time" class="inverted error" role="status">
        {{ t.sourLate({ at: dayClock(instant(found.sour.begins_h)) }) }}
      </p>
      <ol :class="{ stale: problem }">
        <li v-for="(stage, index) in found.sour.stages" :key="stage.name">
          <span>
            <strong class="clock when">{{ dayClock(instant(stage.at_h)) }}</strong>
            <span class="small quiet">{{ stage.hours.toFixed(1) }} h</span>
          </span>
          <span>
            <strong>{{ stage.name }}</strong>, {{ warmth(stage.warm_c) }}, {{ stage.hydration_percent }} %
            {{ t.water }}
            <span class="small quiet">{{ stage.why }}</span>
            <strong v-if="stage.asleep" class="small">{{ t.wakesYou }}</strong>
          </span>
          <span class="weigh">
            {{ mass(stage.seed_g) }} {{ seedName(index, found.sour.stages) }}<br />
            {{ mass(stage.flour_g) }} {{ t.flour }}<br />
            {{ mass(stage.water_g) }} {{ t.water }}
          </span>
        </li>
        <li>
          <strong class="clock when">{{ dayClock(instant(readyH)) }}</strong>
          <span
            ><strong>{{ t.sourReady }}</strong> {{ mass(wish.needed_g) }}</span
          >
        </li>
      </ol>
      <p v-for="caution in found.sour.cautions" :key="caution.code" class="small quiet">
        {{ say(caution.text) }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  max-width: 900px;
  padding: 20px 28px 40px 24px;
}
h2 {
  font-size: 1.875rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: end;
}
.at {
  width: 92px;
}
li {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) 190px;
  gap: 20px;
  padding: 12px 0;
  border-top: 1px solid var(--hairline);
}
li > span:first-child,
li > span:nth-child(2) {
  display: block;
}
li .small {
  display: block;
}
.when {
  font-size: 1.375rem;
}
.weigh {
  text-align: right;
  font-weight: 600;
}
.stale {
  opacity: 0.45;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
@media (max-width: 720px) {
  .desk {
    padding: 14px 16px;
  }
  li {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }
  .weigh {
    text-align: left;
  }
}
</style>
