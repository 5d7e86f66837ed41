<script setup lang="ts">
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import MethodStage from '../../charts/MethodStage.vue'
import { useWidth } from '../../charts/useSize'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import StageGrip from './StageGrip.vue'
import { written } from './stageLength'
import type { Method, Shown, Stage } from './useMethod'

/** A method drawn: the trunk from the left, and the ways that its pieces go from there, one under the other. */
const props = defineProps<{
  stages: Shown[]
  parts: NonNullable<Method['parts']>
  awaited: boolean
  open?: string | null
  /** Only to be looked at. */
  still?: boolean
}>()
const emit = defineEmits<{ choose: [string]; drag: [string, Stage['until']] }>()
const t = words.method
const { span } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 900)
const HIGH = 84
const LEAST = [60, 80] as const

const narrow = computed(() => width.value < 640)
const most = computed(() => Math.max(...props.stages.map((each) => Math.max(...(each.rise ?? [0]))), 0.5))
/** The trunk, and each way that pieces go from there. */
const trunk = computed(() => props.stages.filter((each) => !each.part))
const ways = computed(() =>
  [...new Set(props.stages.map((each) => each.part).filter(Boolean))].map((part) => ({
    part,
    stages: props.stages.filter((each) => each.part === part),
  })),
)
/** Long stages are wider, but a night is not twelve times an hour: by the root of their minutes. */
const scale = computed(() => {
  const longest = ways.value.reduce(
    (most, way) => (way.stages.length > most.length ? way.stages : most),
    [] as Shown[],
  )
  const path = [...trunk.value, ...longest]
  const roots = (list: Shown[]) => list.reduce((sum, each) => sum + root(each), 0)
  const least = Math.min(Math.max(Math.floor(width.value / path.length), LEAST[0]), LEAST[1])
  const spare = Math.max(width.value - least * path.length, 0) / Math.max(roots(path), 1)
  return { least, spare }
})
const root = (stage: Shown) => Math.sqrt(Math.max(stage.minutes, 1))
/** The stage whose end is moved: so long as it was moved to, and drawn so much wider, until the plan has followed. */
const moved = ref<{ where: string; minutes: number; by: number } | null>(null)
watch(
  () => props.awaited,
  (awaited) => {
    if (!awaited && !moved.value?.by) moved.value = null
  },
)
const minutesOf = (stage: Shown) => (moved.value?.where === stage.where ? moved.value.minutes : stage.minutes)
const widths = computed(() => {
  const { least, spare } = scale.value
  return new Map(
    props.stages.map((each) => {
      const by = moved.value?.where === each.where ? moved.value.by : 0
      return [each.where, Math.max(Math.floor(least + spare * root(each)) + by, LEAST[0])]
    }),
  )
})
function drag(stage: Shown, minutes: number, by: number) {
  const before = minutesOf(stage)
  moved.value = { where: stage.where, minutes, by }
  if (minutes === Math.round(before)) return
  emit('drag', stage.where, written(minutes))
}
const rows = computed(() =>
  [{ part: '', stages: trunk.value }, ...ways.value].filter((row) => row.stages.length),
)
function letGo() {
  moved.value = props.awaited && moved.value ? { ...moved.value, by: 0 } : null
}
const pieces = (part: string) => props.parts.find((each) => each.name === part)?.pieces ?? 1
</script>

<template>
  <div
    ref="host"
    class="tree"
    :tabindex="still ? 0 : undefined"
    :class="{ narrow, awaited: awaited && !moved }"
    :style="{ '--grip-high': `${HIGH}px` }"
  >
    <div v-for="row in rows" :key="row.part" class="way" :class="{ trunk: !row.part }">
      <span v-if="row.part" class="part">
        <strong>{{ row.part }}</strong>
        <span class="small quiet">{{ t.piecesOf({ count: pieces(row.part) }) }}</span>
      </span>
      <ol :aria-label="row.part ? `${t.line}: ${row.part}` : t.line">
        <li v-for="stage in row.stages" :key="stage.where">
          <component
            :is="still ? 'div' : ElButton"
            class="cell"
            :aria-expanded="still ? undefined : open === stage.where"
            :style="narrow ? undefined : { width: `${widths.get(stage.where)}px` }"
            @click="emit('choose', stage.where)"
          >
            <MethodStage
              :stage="stage"
              :width="narrow ? 64 : widths.get(stage.where)!"
              :high="narrow ? 44 : HIGH"
              :most="most"
            />
            <span class="words">
              <strong>{{ t.names[stage.kind] }}</strong>
              <span v-if="stage.minutes">{{ span(minutesOf(stage)) }}</span>
              <span class="small" :class="{ quiet: stage.why.until }">{{ stage.until }}</span>
            </span>
          </component>
          <StageGrip
            v-if="!still && !narrow && stage.ends.minutes && stage.minutes"
            :minutes="minutesOf(stage)"
            :name="t.names[stage.kind]!"
            @change="(minutes: number, by: number) => drag(stage, minutes, by)"
            @end="letGo"
          />
        </li>
      </ol>
    </div>
  </div>
</template>

<style scoped>
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
li {
  position: relative;
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
  grid-template-columns: minmax(0, 1fr);
  width: 100%;
  gap: 0;
  align-content: start;
}
.words {
  display: grid;
  padding: 6px 0 0 2px;
  font-size: 0.875rem;
  line-height: 1.25;
}
.words {
  font-weight: 400;
}
.words > :not(strong) {
  padding-right: 6px;
}
.words strong {
  font-size: 0.8125rem;
  hyphens: auto;
  overflow-wrap: anywhere;
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
div.cell {
  height: 100%;
}
.narrow div.cell {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr);
  gap: 12px;
  padding: 4px 0;
}
</style>
