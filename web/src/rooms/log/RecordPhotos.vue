<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, ref } from 'vue'
import type { Schemas } from '../../api/client'
import PickField from '../../forms/PickField.vue'
import { programNow } from '../../shell/bench'
import { newKey } from '../../shell/keys'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { shrunk } from '../cultures/picture'

import SliceFigures from './SliceFigures.vue'

const SliceSheet = defineAsyncComponent(() => import('./SliceSheet.vue'))

/** The photos of a bake, what was measured on them, and another one, of all of it or of one part. */
const props = defineProps<{
  bake: string
  photos: Schemas['RecordPhoto'][]
  parts: string[]
  loaves: Schemas['RecordLoaf'][]
}>()
const t = words.log
const client = useQueryClient()
const { day, clock } = useUnits()
const LONGEST = 1600
const file = ref<HTMLInputElement | null>(null)
const WHOLE = 'whole'
const of = ref(WHOLE)
const options = computed(() => [
  { value: WHOLE, label: t.whole },
  ...props.parts.map((value) => ({ value, label: value })),
])
const wrong = ref('')
/** A picture is made small here if it can be; one as a phone takes it goes as it is. */
async function add() {
  const picture = file.value?.files?.[0]
  if (!picture) return
  wrong.value = ''
  const part = of.value === WHOLE ? '' : encodeURIComponent(of.value)
  try {
    const found = await fetch(`/api/bench/${props.bake}/photos/${newKey()}?part=${part}`, {
      method: 'PUT',
      body: await shrunk(picture, LONGEST),
      headers: { 'Taken-At': new Date(programNow()).toISOString() },
    })
    const body = found.ok ? {} : ((await found.json()) as { detail?: string })
    if (!found.ok) wrong.value = body.detail ?? words.failed
  } catch {
    wrong.value = words.failed
  }
  file.value!.value = ''
  await client.invalidateQueries({ queryKey: ['bakes'] })
}
/** The photo whose slice is measured; how wide the loaf on it is by its sheet. */
const measuring = ref<Schemas['RecordPhoto'] | null>(null)
const nameOf = (photo: Schemas['RecordPhoto']) => `${words.bench.photo} ${clock(photo.at)}`
const wideOf = (photo: Schemas['RecordPhoto']) =>
  props.loaves.filter(({ stands, sheet }) => stands && (!photo.part || sheet.part === photo.part)).at(-1)
    ?.sheet.width_mm
async function kept() {
  measuring.value = null
  await client.invalidateQueries({ queryKey: ['bakes'] })
}
</script>

<template>
  <section>
    <header>
      <h2>{{ words.bakes.pictures }}</h2>
      <PickField
        v-if="parts.length > 1"
        v-model="of"
        class="no-print"
        :label="t.photoOf"
        hide-label
        :options="options"
      />
      <ElButton class="no-print" @click="file?.click()">{{ t.addPhoto }}</ElButton>
      <input
        ref="file"
        class="out-of-sight"
        type="file"
        accept="image/*,.heic,.heif"
        tabindex="-1"
        :aria-label="t.addPhoto"
        @change="add"
      />
    </header>
    <p v-if="wrong" class="inverted wrong" role="alert">{{ wrong }}</p>
    <div class="photos">
      <figure v-for="photo in photos" :key="photo.id">
        <img
          :src="`/api/photos/${photo.id}`"
          :alt="nameOf(photo)"
          :width="photo.width"
          :height="photo.height"
          loading="lazy"
        />
        <figcaption class="small quiet">
          <template v-if="photo.part">{{ photo.part }} · </template>{{ day(photo.at) }}, {{ clock(photo.at) }}
          <ElButton class="link no-print" @click="measuring = photo">{{
            photo.slice ? words.slice.again : words.slice.measure
          }}</ElButton>
        </figcaption>
        <SliceFigures v-if="photo.slice" :read="photo.slice.read" />
      </figure>
    </div>
    <SliceSheet
      v-if="measuring"
      :bake="bake"
      :photo="measuring"
      :name="nameOf(measuring)"
      :wide="wideOf(measuring)"
      @close="measuring = null"
      @kept="kept"
    />
  </section>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  margin-bottom: 8px;
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
}
figure {
  display: grid;
  gap: 6px;
  align-content: start;
  max-width: 420px;
}
figcaption {
  display: flex;
  gap: 14px;
  align-items: center;
}
img {
  display: block;
  width: auto;
  max-width: 100%;
  height: 220px;
  object-fit: cover;
  border: 1.5px solid var(--ink);
}
</style>
