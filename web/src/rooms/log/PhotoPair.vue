<script setup lang="ts">
import { computed, ref, watchEffect } from 'vue'
import type { Schemas } from '../../api/client'
import PickField from '../../forms/PickField.vue'
import { words } from '../../words'

/** Two photos over one another, at one scale: the right one is drawn over the left as far as its edge is slid. */
const props = defineProps<{ pictures: (Schemas['RecordPhoto'] & { name: string; side: number })[] }>()
const t = words.log
const options = computed(() =>
  props.pictures.map(({ id, name }, index) => ({ value: id, label: `${index + 1} · ${name}` })),
)
const left = ref('')
const right = ref('')
const edge = ref(50)
const size = ref(100)
watchEffect(() => {
  const ids = props.pictures.map(({ id }) => id)
  if (!ids.includes(left.value)) left.value = ids[0] ?? ''
  const other = props.pictures.find(({ side }) => side !== props.pictures[0]?.side)
  if (!ids.includes(right.value)) right.value = other?.id ?? ids[1] ?? ids[0] ?? ''
})
const named = (id: string) => props.pictures.find((each) => each.id === id)?.name ?? ''
</script>

<template>
  <div class="pair">
    <div class="choose no-print">
      <PickField v-model="left" :label="t.left" :options="options" />
      <PickField v-model="right" :label="t.right" :options="options" />
    </div>
    <div class="stage">
      <img :src="`/api/photos/${left}`" :alt="named(left)" />
      <div class="over" :style="{ clipPath: `inset(0 0 0 ${edge}%)` }">
        <img
          :src="`/api/photos/${right}`"
          :alt="named(right)"
          :style="{ transform: `scale(${size / 100})` }"
        />
      </div>
      <span class="edge" :style="{ left: `${edge}%` }" aria-hidden="true" />
    </div>
    <div class="slide no-print">
      <label>
        <span class="small quiet">{{ t.edge }}</span>
        <ElSlider v-model="edge" :aria-label="t.edge" :show-tooltip="false" />
      </label>
      <label>
        <span class="small quiet">{{ t.size }}</span>
        <ElSlider v-model="size" :min="50" :max="200" :aria-label="t.size" :show-tooltip="false" />
      </label>
    </div>
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
  gap: 10px 24px;
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
</style>
