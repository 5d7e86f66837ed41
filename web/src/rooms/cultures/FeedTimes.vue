<script setup lang="ts">
import type { Schemas } from '../../api/client'
import ClockField from '../../forms/ClockField.vue'
import PickField from '../../forms/PickField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import { words } from '../../words'

type FeedTime = Schemas['FeedTime']
/** Times of standing feeds: on days of the week, or each on every day of feeding. */
const props = defineProps<{ byDay: boolean; several: boolean }>()
const model = defineModel<FeedTime[]>({ required: true })
const t = words.cultures
const MOST = 14
const two = (value: number) => String(value).padStart(2, '0')
const shown = (hour: number) => {
  const minutes = Math.round(hour * 60)
  return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
}
const read = (text: string) => {
  const [hours = 0, minutes = 0] = text.split(':').map(Number)
  return hours + minutes / 60
}
const days = t.weekdays.map((label, index) => ({ value: String(index), label }))
const set = (place: number, change: Partial<FeedTime>) =>
  (model.value = model.value.map((each, index) => (index === place ? { ...each, ...change } : each)))
function another() {
  const last = model.value.at(-1)!
  const next = props.byDay
    ? { weekday: ((last.weekday ?? 0) + 3) % 7, hour: last.hour }
    : { weekday: null, hour: (last.hour + 12) % 24 }
  model.value = [...model.value, next]
}
const name = (each: FeedTime) =>
  [each.weekday == null ? '' : t.weekdays[each.weekday], shown(each.hour)].join(' ').trim()
</script>

<template>
  <div class="times">
    <div v-for="(each, place) in model" :key="place" class="time">
      <PickField
        v-if="byDay"
        class="day"
        :label="t.onDay"
        :options="days"
        :model-value="String(each.weekday ?? 0)"
        @update:model-value="(value) => set(place, { weekday: Number(value) })"
      />
      <ClockField
        class="at"
        :label="t.at"
        :model-value="shown(each.hour)"
        @update:model-value="(value) => set(place, { hour: read(value) })"
      />
      <RemoveButton
        v-if="model.length > 1"
        :of="name(each)"
        @remove="model = model.filter((_, index) => index !== place)"
      />
    </div>
    <ElButton v-if="several && model.length < MOST" class="link" @click="another">
      {{ t.anotherFeed }}
    </ElButton>
  </div>
</template>

<style scoped>
.times {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.time {
  display: flex;
  gap: 14px;
  align-items: end;
}
.day {
  width: 170px;
}
.at {
  width: 92px;
}
</style>
