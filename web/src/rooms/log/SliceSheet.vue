<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, reactive, ref } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import { limits } from '../../api/limits'
import MaybeField from '../../forms/MaybeField.vue'
import SliderField from '../../forms/SliderField.vue'
import TickField from '../../forms/TickField.vue'
import { useActing } from '../../shell/acting'
import { useBench } from '../../shell/bench'
import { words } from '../../words'
import SheetFrame from '../bench/SheetFrame.vue'
import SliceFigures from './SliceFigures.vue'

/** A slice measured on its photo: its holes outlined over it, the threshold in the baker's hand. */
const props = defineProps<{
  bake: string
  photo: Schemas['RecordPhoto']
  name: string
  /** How wide the loaf's sheet says that it is, mm. */
  wide?: number | null
}>()
const emit = defineEmits<{ close: []; kept: [] }>()
const t = words.slice
const was = props.photo.slice
const width = ref<number | null | undefined>(was?.width_mm ?? props.wide ?? null)
const steps = ref(Math.round(100 * (was?.shift ?? 0)))
const drawn = ref(true)
const MOST = 100 * limits.CRUMB_SHIFT.high
const { low, high } = limits.SLICE_MM
const outside = computed(() => width.value != null && (width.value < low || width.value > high))
const asked = computed(() => ({ width_mm: width.value ?? 0, shift: steps.value / 100 }))
const settled = refDebounced(asked, 250)
const found = reactive(
  useQuery({
    queryKey: ['slice', props.photo.id, settled],
    queryFn: () =>
      ask(
        api.GET('/api/photos/{key}/slice', {
          params: { path: { key: props.photo.id }, query: settled.value },
        }),
      ),
    enabled: computed(() => settled.value.width_mm >= low && settled.value.width_mm <= high),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  }),
)
const answer = computed(() => found.data ?? null)
const rings = computed(() => {
  const { width: wide, height: high } = props.photo
  return (answer.value?.rings ?? [])
    .map(
      (ring) => `M${ring.map(([x, y]) => `${(x! * wide).toFixed(1)} ${(y! * high).toFixed(1)}`).join('L')}Z`,
    )
    .join('')
})
const threshold = computed(() => {
  const by = Math.abs(steps.value)
  return by ? (steps.value > 0 ? t.more : t.fewer)({ by }) : t.asFound
})
const { press, refused } = useBench()
const { busy, act } = useActing()
const keep = () =>
  act(async () => {
    const body = { photo: props.photo.id, width_mm: width.value, shift: steps.value / 100 }
    await press(props.bake, 'bake_sliced', body, t.kept)
    if (!refused.value) emit('kept')
  })
</script>

<template>
  <SheetFrame :title="t.title" :lead="t.lead" @close="emit('close')">
    <form @submit.prevent="keep">
      <div class="stage">
        <img :src="`/api/photos/${photo.id}`" :alt="name" :width="photo.width" :height="photo.height" />
        <svg
          v-if="drawn && answer && !answer.doubt"
          :viewBox="`0 0 ${photo.width} ${photo.height}`"
          aria-hidden="true"
        >
          <path class="under" :d="rings" />
          <path class="over" :d="rings" />
        </svg>
      </div>
      <div class="beside">
        <MaybeField v-model="width" :label="t.width" unit="mm" :digits="0" />
        <p v-if="outside" class="small" role="alert">
          {{ words.forms.between({ low: `${low} mm`, high: `${high} mm` }) }}
        </p>
        <SliderField
          v-model="steps"
          :label="t.threshold"
          :said="threshold"
          :min="-MOST"
          :max="MOST"
          :step="1"
        />
        <TickField v-model="drawn" :label="t.drawn" />
        <p v-if="found.error" class="inverted wrong" role="alert">{{ found.error.message }}</p>
        <p v-else-if="answer?.doubt" class="inverted wrong" role="alert">{{ answer.doubt }}</p>
        <p v-else-if="!answer" class="quiet" role="status">
          {{ found.isFetching ? t.measuring : t.askWidth }}
        </p>
        <template v-else>
          <p v-if="answer.mind" class="minded" role="status">{{ answer.mind }}</p>
          <SliceFigures :read="answer.read" :class="{ waits: found.isPlaceholderData }" />
        </template>
        <p v-if="refused" class="inverted wrong" role="alert">{{ refused }}</p>
        <ElButton
          native-type="submit"
          class="action"
          :loading="busy"
          :disabled="!answer || Boolean(answer.doubt) || outside || width == null"
          >{{ t.keep }}</ElButton
        >
      </div>
    </form>
  </SheetFrame>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(260px, 1fr);
  gap: 14px 28px;
  align-items: start;
}
@media (max-width: 900px) {
  form {
    grid-template-columns: minmax(0, 1fr);
  }
}
.stage {
  position: relative;
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
path {
  fill: none;
  stroke-linejoin: round;
  vector-effect: non-scaling-stroke;
}
.under {
  stroke: var(--ink);
  stroke-width: 2.6;
}
.over {
  stroke: var(--flour);
  stroke-width: 1.2;
}
.beside {
  display: grid;
  gap: 14px;
}
.waits {
  opacity: 0.6;
}
.minded {
  padding-left: 14px;
  border-left: 3px solid var(--ink);
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
</style>
