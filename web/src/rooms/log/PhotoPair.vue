<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watchEffect, type StyleValue } from 'vue'
import type { Schemas } from '../../api/client'
import PickField from '../../forms/PickField.vue'
import { words } from '../../words'

const PhotoLineSheet = defineAsyncComponent(() => import('./PhotoLineSheet.vue'))

/** Two photos over one another, at one scale: the right one is drawn over the left as far as its edge is slid. */
type Picture = Schemas['RecordPhoto'] & { name: string; side: number; bake: string; wide?: number | null }
const props = defineProps<{ pictures: Picture[] }>()
const emit = defineEmits<{ marked: [] }>()
const t = words.log
const options = computed(() =>
  props.pictures.map(({ id, name }, index) => ({ value: id, label: `${index + 1} · ${name}` })),
)
const left = ref('')
const right = ref('')
const edge = ref(50)
const size = ref(100)
const marking = ref<Picture | null>(null)
watchEffect(() => {
  const ids = props.pictures.map(({ id }) => id)
  if (!ids.includes(left.value)) left.value = ids[0] ?? ''
  const other = props.pictures.find(({ side }) => side !== props.pictures[0]?.side)
  if (!ids.includes(right.value)) right.value = other?.id ?? ids[1] ?? ids[0] ?? ''
})
const pair = computed(() =>
  [left.value, right.value].map((id) => props.pictures.find((each) => each.id === id)),
)
/** The stage's width over its height; how much more of it than the longer line it shows; where the lines' middles lie. */
const ASPECT = 16 / 11
const AROUND = 1.6
const BAR_MM = 50
/** How many mm the stage is wide, if both photos have their scale. */
const stageMm = computed(() => {
  const lines = pair.value.map((each) => each?.line?.mm)
  return lines.every((mm) => mm != null) ? AROUND * Math.max(...(lines as number[])) : null
})
function placed(one: Picture | undefined, whole: number): StyleValue {
  if (!one) return undefined
  if (stageMm.value === null || !one.line || !one.shows_mm) return { transform: `scale(${whole / 100})` }
  const wide = (100 * one.shows_mm) / stageMm.value
  const high = (wide * ASPECT * one.height) / one.width
  const middle = [(one.line.from_x + one.line.to_x) / 2, (one.line.from_y + one.line.to_y) / 2] as const
  return {
    inset: 'auto',
    width: `${wide}%`,
    height: `${high}%`,
    left: `${50 - middle[0] * wide}%`,
    top: `${50 - middle[1] * high}%`,
  }
}
function marked() {
  marking.value = null
  emit('marked')
}
</script>

<template>
  <div class="pair">
    <div class="choose no-print">
      <PickField v-model="left" :label="t.left" :options="options" />
      <PickField v-model="right" :label="t.right" :options="options" />
      <template v-for="(one, index) in pair" :key="index">
        <ElButton v-if="one" class="link" @click="marking = one">{{
          one.line ? t.lineAgain : t.line
        }}</ElButton>
      </template>
    </div>
    <div class="stage">
      <img :src="`/api/photos/${left}`" :alt="pair[0]?.name" :style="placed(pair[0], 100)" />
      <div class="over" :style="{ clipPath: `inset(0 0 0 ${edge}%)` }">
        <img :src="`/api/photos/${right}`" :alt="pair[1]?.name" :style="placed(pair[1], size)" />
      </div>
      <span class="edge" :style="{ left: `${edge}%` }" aria-hidden="true" />
      <span v-if="stageMm" class="bar" :style="{ width: `${(100 * BAR_MM) / stageMm}%` }">{{
        t.scaleBar
      }}</span>
    </div>
    <p class="small quiet" role="status">{{ stageMm ? t.oneScale : t.scaleMissing }}</p>
    <div class="slide no-print">
      <label>
        <span class="small quiet">{{ t.edge }}</span>
        <ElSlider v-model="edge" :aria-label="t.edge" :show-tooltip="false" />
      </label>
      <label v-if="!stageMm">
        <span class="small quiet">{{ t.size }}</span>
        <ElSlider v-model="size" :min="50" :max="200" :aria-label="t.size" :show-tooltip="false" />
      </label>
    </div>
    <PhotoLineSheet
      v-if="marking"
      :bake="marking.bake"
      :photo="marking"
      :name="marking.name"
      :wide="marking.wide"
      @close="marking = null"
      @kept="marked"
    />
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  gap: 10px;
  max-width: 760px;
}
.choose,
.slide {
  display: grid;
  grid-template-columns: 1fr 1fr;
  justify-items: start;
  gap: 10px 24px;
}
.choose > *,
.slide > label {
  width: 100%;
}
.choose > .link {
  width: auto;
}
.stage {
  position: relative;
  overflow: hidden;
  aspect-ratio: 16 / 11;
  border: 1.5px solid var(--ink);
  background: var(--hairline);
}
img {
  position: absolute;
  inset: 0;
  max-width: none;
  width: 100%;
  height: 100%;
  object-fit: contain;
}
.over {
  position: absolute;
  inset: 0;
  background: var(--flour);
}
.edge {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 0;
  border-left: 3px solid var(--flour);
  outline: 1px solid var(--ink);
}
.bar {
  position: absolute;
  bottom: 12px;
  left: 12px;
  padding: 2px 0 4px;
  border-bottom: 4px solid var(--ink);
  background: var(--flour);
  font-size: 0.8125rem;
  text-align: center;
}
</style>
