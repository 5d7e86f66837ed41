<script setup lang="ts">
import { computed } from 'vue'
import type { Asked, PlanAnswer } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import ClockField from '../../forms/ClockField.vue'
import { nameOfDay } from '../../shell/days'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** When each part but the first is wanted, if the pieces go different ways. */
const props = defineProps<{
  asked: Asked
  answer: PlanAnswer | null
  days: { value: string; label: string }[]
}>()
const emit = defineEmits<{ change: [Partial<Asked>] }>()
const t = words.plan
const { dayKey, clock } = useUnits()

const cutAt = (name: string) =>
  props.answer!.plan.steps.find((step) => step.kind === 'cut' && step.part === name)?.at ??
  props.answer!.plan.outs.find((part) => part.name === name)!.out

const parts = computed(() =>
  (props.answer?.plan.outs ?? []).slice(1).map((part) => {
    const own = props.asked.ready_parts?.[part.name]
    const at = props.asked.ready_means === 'cut' ? cutAt(part.name) : part.out
    const [day, time] = own ? [own.slice(0, 10), own.slice(11)] : [dayKey(at), clock(at)]
    const known = props.days.some((each) => each.value === day)
    const days = known ? props.days : [...props.days, { value: day, label: nameOfDay(day, true) }]
    return { name: part.name, day, time, days }
  }),
)
function set(name: string, day: string, time: string) {
  emit('change', { ready_parts: { ...(props.asked.ready_parts ?? {}), [name]: `${day}T${time}` } })
}
</script>

<template>
  <div v-for="part in parts" :key="part.name" class="part" role="group" :aria-label="part.name">
    <strong>{{ part.name }}</strong>
    <ChoiceRow
      :model-value="part.day"
      :legend="`${t.fields.day}, ${part.name}`"
      :options="part.days"
      @update:model-value="(day: string) => set(part.name, day, part.time)"
    />
    <ClockField
      :model-value="part.time"
      :label="`${t.fields.time}, ${part.name}`"
      steps
      @update:model-value="(time: string) => set(part.name, part.day, time)"
    />
  </div>
</template>

<style scoped>
.part {
  display: grid;
  gap: 6px;
  padding-top: 8px;
  border-top: 1px solid var(--hairline);
}
</style>
