<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import LoafMark from '../../charts/LoafMark.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { looksOf } from './looks'

/** What was said of a loaf, in words beside its drawing. */
const props = defineProps<{
  loaf: Schemas['RecordLoaf']
  /** What was measured on a photo of its slice. */
  slice?: Schemas['CrumbRead'] | null
}>()
const t = words.loaf
const { mass, day: nameOf } = useUnits()
const sheet = computed(() => props.loaf.sheet)
const whose = computed(() => {
  const { part, piece, day } = sheet.value
  return [part, piece, day ? t.day({ day }) : ''].filter(Boolean).join(' · ')
})
/** Each look with what it is, in the order of the sheet; how it is liked stands above. */
const looks = computed(() =>
  looksOf(sheet.value, props.loaf.top, props.loaf.base).filter(([name]) => name !== 'liked'),
)
const facts = computed(() => {
  const { volume_ml, g_per_ml, height_over_width, loss } = props.loaf.measured
  return [
    sheet.value.out_g == null ? '' : mass(sheet.value.out_g),
    volume_ml == null ? '' : t.volume({ ml: Math.round(volume_ml / 10) * 10 }),
    g_per_ml == null ? '' : t.density({ g: g_per_ml.toFixed(2) }),
    height_over_width == null ? '' : t.tall({ ratio: height_over_width.toFixed(2) }),
    loss == null ? '' : t.lost({ percent: (100 * loss).toFixed(1) }),
    props.slice ? words.slice.measured({ percent: Math.round(100 * props.slice.holes_fraction) }) : '',
    props.slice ? words.slice.measuredMean({ mm2: props.slice.mean_cell_mm2.toFixed(1) }) : '',
  ].filter(Boolean)
})
</script>

<template>
  <article class="loaf" :class="{ before: !loaf.stands }">
    <LoafMark :loaf="sheet" :width="84" />
    <div>
      <p v-if="whose || sheet.liked">
        <strong v-if="whose">{{ whose }}</strong>
        <template v-if="whose && sheet.liked"> · </template>
        <template v-if="sheet.liked">{{ t.liking({ of: sheet.liked }) }}</template>
        <span v-if="!loaf.stands" class="small quiet"> {{ t.earlier }}</span>
      </p>
      <p v-if="facts.length">{{ facts.join(' · ') }}</p>
      <dl v-if="looks.length">
        <div v-for="[name, title, what] in looks" :key="name">
          <dt class="small quiet">{{ title }}</dt>
          <dd>{{ what }}</dd>
        </div>
      </dl>
      <p v-if="sheet.note" class="note">{{ sheet.note }}</p>
      <p class="small quiet">{{ nameOf(loaf.at) }}</p>
    </div>
  </article>
</template>

<style scoped>
.loaf {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 24px;
  padding: 12px 0;
  border-bottom: 1px solid var(--hairline);
}
.loaf > div {
  flex: 1 1 240px;
  display: grid;
  gap: 4px;
  align-content: start;
}
.before {
  opacity: 0.7;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
dl > div {
  display: grid;
}
dd {
  font-weight: 600;
}
.note {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
