<script setup lang="ts">
import { computed, nextTick, ref, toRef } from 'vue'
import MethodStage from '../../charts/MethodStage.vue'
import { useWidth } from '../../charts/useSize'
import PickField from '../../forms/PickField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import StageFields from './StageFields.vue'
import { useMethod, type Shown } from './useMethod'
import type { Body } from './useWork'

/** How a formula is made: its stages drawn in a row, each opened in place. */
const props = defineProps<{ form: Body }>()
const t = words.method
const { span } = useUnits()
const method = useMethod(toRef(props, 'form'))
const { answer, refused, pending, isOwn, style } = method
const open = ref<string | null>(null)
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 900)
const HIGH = 84
const LEAST = 80

const narrow = computed(() => width.value < 640)
const stages = method.shown
const most = computed(() => Math.max(...stages.value.map((each) => Math.max(...(each.rise ?? [0]))), 0.5))
/** The trunk, and each way that pieces go from there. */
const trunk = computed(() => stages.value.filter((each) => !each.part))
const ways = computed(() =>
  [...new Set(stages.value.map((each) => each.part).filter(Boolean))].map((part) => ({
    part,
    stages: stages.value.filter((each) => each.part === part),
  })),
)
/** Long stages are wider, but a night is not twelve times an hour: by the root of their minutes. */
const widths = computed(() => {
  const longest = ways.value.reduce(
    (most, way) => (way.stages.length > most.length ? way.stages : most),
    [] as Shown[],
  )
  const path = [...trunk.value, ...longest]
  const roots = (list: Shown[]) => list.reduce((sum, each) => sum + root(each), 0)
  const spare = Math.max(width.value - LEAST * path.length, 0) / Math.max(roots(path), 1)
  return new Map(stages.value.map((each) => [each.where, Math.floor(LEAST + spare * root(each))]))
})
const root = (stage: Shown) => Math.sqrt(Math.max(stage.minutes, 1))
const rows = computed(() =>
  [{ part: '', stages: trunk.value }, ...ways.value].filter((row) => row.stages.length),
)
const opened = computed(() => stages.value.find((each) => each.where === open.value) ?? null)
const stageWritten = computed(() => (open.value ? method.stageOf(open.value) : undefined))
const styles = computed(() =>
  (answer.value?.styles ?? []).map((each) => ({ value: each.id, label: each.name })),
)
const chosenStyle = computed({
  get: () => style.value ?? answer.value?.style ?? '',
  set: (value) => (style.value = value),
})
const problems = computed(() => (refused.value ? [refused.value.message] : (answer.value?.problems ?? [])))

const pieces = (part: string) => method.written.value.parts?.find((each) => each.name === part)?.pieces ?? 1

function choose(where: string) {
  if (open.value === where) open.value = null
  else void follow(where)
}
/** On a phone the fields lie far below the stage: they are brought into view. */
async function follow(where: string) {
  open.value = where
  await nextTick()
  if (narrow.value) host.value?.querySelector('.open')?.scrollIntoView({ block: 'nearest' })
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
    <ElSkeleton v-if="!answer && !refused" :rows="2" animated />
    <div class="tree" :class="{ narrow, awaited: pending }">
      <div v-for="row in rows" :key="row.part" class="way" :class="{ trunk: !row.part }">
        <span v-if="row.part" class="part">
          <strong>{{ row.part }}</strong>
          <span class="small quiet">{{ t.piecesOf({ count: pieces(row.part) }) }}</span>
        </span>
        <ol :aria-label="row.part ? `${t.line}: ${row.part}` : t.line">
          <li v-for="stage in row.stages" :key="stage.where">
            <ElButton
              class="cell"
              :aria-expanded="open === stage.where"
              :style="narrow ? undefined : { width: `${widths.get(stage.where)}px` }"
              @click="choose(stage.where)"
            >
              <MethodStage
                :stage="stage"
                :width="narrow ? 64 : widths.get(stage.where)!"
                :high="narrow ? 44 : HIGH"
                :most="most"
              />
              <span class="words">
                <strong>{{ t.names[stage.kind] }}</strong>
                <span v-if="stage.minutes">{{ span(stage.minutes) }}</span>
                <span class="small" :class="{ quiet: stage.why.until }">{{ stage.until }}</span>
              </span>
            </ElButton>
          </li>
        </ol>
      </div>
    </div>
    <p v-for="each in problems" :key="each" class="problem" role="status">{{ each }}</p>
    <StageFields
      v-if="opened && stageWritten"
      :key="open!"
      :stage="opened"
      :written="stageWritten"
      :addable="method.addable.value"
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
.tree {
  display: grid;
  grid-template-columns: max-content max-content;
  overflow-x: auto;
  margin-top: 8px;
}
.tree:not(.narrow):has(.part) .trunk {
  padding-top: 1.5rem;
}
.trunk {
  grid-row: 1 / span 20;
}
.way:not(.trunk) {
  grid-column: 2;
  margin-bottom: 14px;
}
.part {
  display: flex;
  gap: 8px;
  align-items: baseline;
  height: 1.5rem;
  padding-left: 2px;
}
ol {
  display: flex;
}
.tree.narrow,
.narrow ol {
  display: block;
}
.narrow .part {
  margin-top: 8px;
}
.awaited {
  opacity: 0.6;
}
.cell.el-button {
  display: grid;
  justify-items: stretch;
  align-content: start;
  height: 100%;
  min-height: 48px;
  padding: 0 0 8px;
  border: 0;
  border-radius: 0;
  text-align: left;
}
.cell.el-button :deep(> span) {
  display: grid;
  gap: 0;
  align-content: start;
}
.words {
  display: grid;
  padding: 6px 8px 0 2px;
  line-height: 1.25;
}
.words {
  font-weight: 400;
}
.words strong {
  font-size: 0.9375rem;
  hyphens: auto;
}
.cell:hover strong,
.cell[aria-expanded='true'] strong {
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
}
.narrow .cell.el-button {
  justify-content: start;
  width: 100%;
  padding: 4px 0;
}
.narrow .cell.el-button :deep(> span) {
  grid-template-columns: 64px minmax(0, 1fr);
  gap: 12px;
}
.problem {
  margin: 8px 0 0;
  font-weight: 600;
}
</style>
