<script setup lang="ts">
import { computed, nextTick, ref, toRef, watch } from 'vue'
import PickField from '../../forms/PickField.vue'
import { words } from '../../words'
import MethodTree from './MethodTree.vue'
import StageFields from './StageFields.vue'
import { useMethod, type OfPlan } from './useMethod'
import type { Body } from './useWork'

/** How a formula is made: its stages drawn in a row, each opened in place. */
const props = defineProps<{
  form: Body
  /** The style that is looked at while the formula has no way of its own. */
  startStyle?: string | null
  /** The plan that it is changed in. */
  ofPlan?: OfPlan
}>()
const emit = defineEmits<{ style: [string] }>()
const t = words.method
const method = useMethod(toRef(props, 'form'), props.startStyle ?? null, toRef(props, 'ofPlan'))
watch(
  () => props.startStyle,
  (chosen) => (method.style.value = chosen ?? null),
)
const { answer, refused, pending, isOwn, style } = method
const open = ref<string | null>(null)
const host = ref<HTMLElement | null>(null)
const stages = method.shown
const opened = computed(() => stages.value.find((each) => each.where === open.value) ?? null)
const stageWritten = computed(() => (open.value ? method.stageOf(open.value) : undefined))
const styles = computed(() =>
  (answer.value?.styles ?? []).map((each) => ({ value: each.id, label: each.name })),
)
const chosenStyle = computed({
  get: () => style.value ?? answer.value?.style ?? '',
  set: (value) => {
    style.value = value
    emit('style', value)
  },
})
const problems = computed(() => (refused.value ? [refused.value.message] : (answer.value?.problems ?? [])))

function choose(where: string) {
  if (open.value === where) open.value = null
  else void follow(where)
}
/** The fields may lie far below the stage: they are brought into view. */
async function follow(where: string) {
  open.value = where
  await nextTick()
  host.value?.querySelector('.open')?.scrollIntoView({ block: 'nearest' })
}
function gone() {
  open.value = null
}
</script>

<template>
  <section ref="host" class="method" :aria-label="t.title" :aria-busy="pending">
    <header>
      <h2>{{ t.title }}</h2>
      <span class="quiet">{{ isOwn ? t.own : t.suits }}</span>
      <PickField
        v-if="!isOwn && styles.length"
        v-model="chosenStyle"
        :label="t.begin"
        hide-label
        :options="styles"
      />
      <ElButton v-if="!isOwn" class="link" :disabled="!answer" @click="method.own()">{{
        t.makeOwn
      }}</ElButton>
      <ElButton v-else class="link" @click="(method.letGo(), gone())">{{ t.letGo }}</ElButton>
    </header>
    <ElSkeleton v-if="!answer && !refused" :rows="4" animated />
    <MethodTree
      :stages="stages"
      :parts="method.written.value.parts ?? []"
      :awaited="pending"
      :open="open"
      @choose="choose"
      @drag="(where, until) => method.change(where, { until })"
    />
    <p v-for="each in problems" :key="each" class="problem" role="status">{{ each }}</p>
    <StageFields
      v-if="opened && stageWritten"
      :key="open!"
      :stage="opened"
      :written="stageWritten"
      :able="method.kindOf(opened.kind)"
      :addable="method.addable.value"
      :goes-in="answer?.goes_in ?? []"
      :can-split="method.canSplit(open!)"
      :part="method.written.value.parts?.find((each) => each.name === opened!.part) ?? null"
      @change="(fields) => method.change(open!, fields)"
      @remove="(method.remove(open!), gone())"
      @move="(by) => follow(method.move(open!, by))"
      @add="(kind) => follow(method.add(open!, kind))"
      @split="(method.split(open!), gone())"
      @join="(method.join(), gone())"
      @part="(fields) => method.nameOrCount(open!, fields)"
    />
    <p v-else-if="answer" class="small quiet">{{ t.closed }}</p>
  </section>
</template>

<style scoped>
.method {
  grid-column: 1 / -1;
  min-width: 0;
  min-height: 270px;
  padding-top: 14px;
  border-top: 1px solid var(--hairline);
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
h2 {
  font-size: 1.0625rem;
}
header :deep(.pick) {
  min-width: 220px;
}
.problem {
  margin: 8px 0 0;
  font-weight: 600;
}
</style>
