<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import LoafMark from '../../charts/LoafMark.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** What was said of a loaf, in words beside its drawing. */
const props = defineProps<{ loaf: Schemas['RecordLoaf'] }>()
const t = words.loaf
const { mass, day: nameOf } = useUnits()
const sheet = computed(() => props.loaf.sheet)
const whose = computed(() => {
  const { part, piece, day } = sheet.value
  return [part, piece, day ? t.day({ day }) : ''].filter(Boolean).join(' · ')
})
/** Each look with what it is, in the order of the sheet. */
const looks = computed(() => {
  const said = sheet.value
  const found: [string, string | undefined][] = [
    [t.keeps, said.keeps ? t.keepings[said.keeps] : undefined],
    [t.looks.form!, said.form ? t.form[said.form] : undefined],
    [t.looks.scores!, said.scores ? t.scores[said.scores] : undefined],
    [t.looks.blow_out!, said.blow_out ? t.blow_out[said.blow_out] : undefined],
    [t.looks.bottom!, said.bottom ? t.bottom[said.bottom] : undefined],
    [t.looks.top_colour!, props.loaf.top ?? undefined],
    [t.looks.base_colour!, props.loaf.base ?? undefined],
    [t.skin, (['blisters', 'shine', 'flour_blotches'] as const).filter((name) => said[name]).map((name) => t.skins[name]).join(', ')],
    [t.looks.openness!, said.openness ? t.openness[said.openness] : undefined],
    [t.looks.holes!, said.holes.map((each) => t.holes[each]).join(', ')],
    [t.looks.walls!, said.walls ? t.walls[said.walls] : undefined],
    [t.looks.bite!, said.bite ? t.bite[said.bite] : undefined],
    [t.looks.crumb_colour!, said.crumb_colour ? t.crumb_colour[said.crumb_colour] : undefined],
    [t.looks.sourness!, said.sourness == null ? undefined : t.sournesses[said.sourness]],
    [t.looks.flavour!, said.flavour == null ? undefined : t.flavours[said.flavour - 1]],
    [t.looks.crust!, said.crust ? t.crust[said.crust] : undefined],
    [t.looks.salt!, said.salt ? t.salt[said.salt] : undefined],
    [t.again, said.again == null ? undefined : t.agains[String(said.again)]],
  ] // prettier-ignore
  return found.filter(([, what]) => what)
})
const facts = computed(() => {
  const { volume_ml, g_per_ml, height_over_width, loss } = props.loaf.measured
  return [
    sheet.value.out_g == null ? '' : mass(sheet.value.out_g),
    volume_ml == null ? '' : t.volume({ ml: Math.round(volume_ml / 10) * 10 }),
    g_per_ml == null ? '' : t.density({ g: g_per_ml.toFixed(2) }),
    height_over_width == null ? '' : t.tall({ ratio: height_over_width.toFixed(2) }),
    loss == null ? '' : t.lost({ percent: (100 * loss).toFixed(1) }),
  ].filter(Boolean)
})
</script>

<template>
  <article class="loaf" :class="{ before: !loaf.stands }">
    <LoafMark
      :form="sheet.form"
      :scores="sheet.scores"
      :blow-out="sheet.blow_out"
      :openness="sheet.openness"
      :colour="sheet.top_colour"
      :width="84"
    />
    <div>
      <p v-if="whose || sheet.liked">
        <strong v-if="whose">{{ whose }}</strong>
        <template v-if="whose && sheet.liked"> · </template>
        <template v-if="sheet.liked">{{ t.liking({ of: sheet.liked }) }}</template>
        <span v-if="!loaf.stands" class="small quiet"> {{ t.earlier }}</span>
      </p>
      <p v-if="facts.length">{{ facts.join(' · ') }}</p>
      <dl v-if="looks.length">
        <div v-for="[name, what] in looks" :key="name">
          <dt class="small quiet">{{ name }}</dt>
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
