<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { limits } from '../../api/limits'
import MaybeField from '../../forms/MaybeField.vue'
import { useBench } from '../../shell/bench'
import { useActing } from '../../shell/acting'
import { words } from '../../words'
import SheetFrame from '../bench/SheetFrame.vue'

/** A line over a photo, from one end to the other of what it spans, and how long that is. */
const props = defineProps<{
  bake: string
  photo: Schemas['RecordPhoto']
  name: string
  /** How wide the loaf's sheet says that it is, mm. */
  wide?: number | null
}>()
const emit = defineEmits<{ close: []; kept: [] }>()
const t = words.log
const STEP = 0.005
const was = props.photo.line
const ends = reactive([
  { x: was?.from_x ?? 0.25, y: was?.from_y ?? 0.5, name: t.lineFrom },
  { x: was?.to_x ?? 0.75, y: was?.to_y ?? 0.5, name: t.lineTo },
])
const mm = ref(was?.mm ?? props.wide ?? null)
const stage = ref<HTMLElement | null>(null)
const held = ref<number | null>(null)
const percent = (share: number) => `${(100 * share).toFixed(1)}%`
const inside = (share: number) => Math.min(Math.max(share, 0), 1)

function down(index: number, event: PointerEvent) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held.value = index
}
function move(event: PointerEvent) {
  const box = stage.value?.getBoundingClientRect()
  if (held.value === null || !box) return
  const end = ends[held.value]!
  end.x = inside((event.clientX - box.left) / box.width)
  end.y = inside((event.clientY - box.top) / box.height)
}
function nudge(index: number, dx: number, dy: number) {
  const end = ends[index]!
  end.x = inside(end.x + dx * STEP)
  end.y = inside(end.y + dy * STEP)
}
const where = computed(() =>
  ends.map(({ x, y }) => t.lineAt({ across: Math.round(100 * x), down: Math.round(100 * y) })),
)
const { low, high } = limits.PHOTO_LINE_MM
const outside = computed(() => mm.value !== null && (mm.value < low || mm.value > high))
const { press, refused } = useBench()
const { busy, act } = useActing()
const keep = () =>
  act(async () => {
    const [from, to] = ends
    const line = { from_x: from!.x, from_y: from!.y, to_x: to!.x, to_y: to!.y, mm: mm.value }
    await press(props.bake, 'bake_scaled', { photo: props.photo.id, line }, t.lineKept)
    if (!refused.value) emit('kept')
  })
</script>

<template>
  <SheetFrame :title="t.lineTitle({ of: name })" :lead="t.lineLead" @close="emit('close')">
    <form @submit.prevent="keep">
      <div
        ref="stage"
        class="stage"
        @pointermove="move"
        @pointerup="held = null"
        @pointercancel="held = null"
      >
        <img
          :src="`/api/photos/${photo.id}`"
          :alt="name"
          :width="photo.width"
          :height="photo.height"
          draggable="false"
        />
        <svg aria-hidden="true">
          <line
            v-for="kind in ['under', 'over']"
            :key="kind"
            :class="kind"
            :x1="percent(ends[0]!.x)"
            :y1="percent(ends[0]!.y)"
            :x2="percent(ends[1]!.x)"
            :y2="percent(ends[1]!.y)"
          />
        </svg>
        <span
          v-for="(end, index) in ends"
          :key="index"
          class="end"
          role="slider"
          tabindex="0"
          :aria-label="end.name"
          aria-valuemin="0"
          aria-valuemax="100"
          :aria-valuenow="Math.round(100 * end.x)"
          :aria-valuetext="where[index]"
          :style="{ left: percent(end.x), top: percent(end.y) }"
          @pointerdown.prevent="(event) => down(index, event)"
          @keydown.left.prevent="nudge(index, -1, 0)"
          @keydown.right.prevent="nudge(index, 1, 0)"
          @keydown.up.prevent="nudge(index, 0, -1)"
          @keydown.down.prevent="nudge(index, 0, 1)"
        />
      </div>
      <div class="long">
        <MaybeField v-model="mm" :label="t.lineMm" unit="mm" :digits="0" />
        <p v-if="outside" class="small" role="alert">
          {{ words.forms.between({ low: `${low} mm`, high: `${high} mm` }) }}
        </p>
        <p v-if="refused" class="inverted wrong" role="alert">{{ refused }}</p>
        <ElButton native-type="submit" class="action" :loading="busy" :disabled="mm === null || outside">{{
          t.lineKeep
        }}</ElButton>
      </div>
    </form>
  </SheetFrame>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 720px) minmax(200px, 1fr);
  gap: 14px 28px;
  align-items: end;
}
.long {
  display: grid;
  gap: 14px;
}
@media (max-width: 900px) {
  form {
    grid-template-columns: minmax(0, 1fr);
  }
}
.stage {
  position: relative;
  touch-action: none;
}
img {
  display: block;
  width: 100%;
  height: auto;
  border: 1.5px solid var(--ink);
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.under {
  stroke: var(--ink);
  stroke-width: 5;
}
.over {
  stroke: var(--flour);
  stroke-width: 2;
}
.end {
  position: absolute;
  width: 44px;
  height: 44px;
  margin: -22px 0 0 -22px;
  cursor: move;
}
.end::after {
  position: absolute;
  inset: 10px;
  border: 3px solid var(--flour);
  border-radius: 50%;
  outline: 1.5px solid var(--ink);
  box-shadow: inset 0 0 0 1.5px var(--ink);
  content: '';
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
</style>
