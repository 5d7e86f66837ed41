<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { crustColour } from '../../charts/temperature'
import LoafDrawing from '../../charts/LoafDrawing.vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import FoldedPart from '../../forms/FoldedPart.vue'
import LookRow from '../../forms/LookRow.vue'
import MaybeField from '../../forms/MaybeField.vue'
import TextField from '../../forms/TextField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import SheetFrame from '../bench/SheetFrame.vue'
import { sheetOf, type Sheet } from './sheet'

/** A loaf judged: press what is seen and tasted; every part may be left out. */
const props = defineProps<{
  name: string
  parts: string[]
  pieces: number
  /** What of a loaf of its shape is measured. */
  lengths: string[]
  chips: Schemas['ChipAnswer'][]
  loaves: Schemas['RecordLoaf'][]
  /** Days since it was baked. */
  day: number
  /** The part that is judged first. */
  part?: string
}>()
const emit = defineEmits<{ close: []; keep: [Sheet] }>()
const t = words.loaf
const { massUnit, toMass, fromMass } = useUnits()
/** The loaf itself is asked about first; how it keeps, once that was said. */
const first = !props.loaves.some(({ stands, sheet }) => stands && sheet.day === 0)
const whose = ref({
  part: props.parts.find((part) => part === props.part) ?? props.parts[0] ?? '',
  piece: '',
  day: first ? 0 : Math.min(props.day, 14),
})
const said = ref<Sheet>(before())

/** What was said of this loaf on this day already. */
function before(): Sheet {
  const { part, piece, day } = whose.value
  const found = props.loaves.find(
    ({ stands, sheet }) => stands && sheet.part === part && sheet.piece === piece && sheet.day === day,
  )
  return sheetOf(found?.sheet)
}
function change(next: Partial<typeof whose.value>) {
  whose.value = { ...whose.value, ...next }
  said.value = before()
}
const later = computed(() => whose.value.day > 0)
const days = computed(() =>
  [...new Set([0, Math.min(props.day, 14)])].map((day) => ({
    value: String(day),
    label: day ? t.day({ day }) : t.today,
  })),
)
const options = (names: Record<string, string>) =>
  Object.entries(names).map(([value, label]) => ({ value, label }))
type Look = 'scores' | 'form' | 'blow_out' | 'bottom' | 'openness' | 'walls' | 'bite' | 'crust'
const OUTSIDE: Look[] = ['form', 'scores', 'blow_out', 'bottom']
const INSIDE: Look[] = ['openness', 'walls', 'bite']
const one = (name: keyof Sheet) => (said.value[name] == null ? [] : [String(said.value[name])])
function set(name: keyof Sheet, value: unknown) {
  const rest = { ...said.value }
  delete rest[name]
  const nothing = value === undefined || value === null || value === ''
  said.value = (nothing ? rest : { ...rest, [name]: value }) as Sheet
}
const shades = computed(() =>
  props.chips.map(({ colour, shade }) => ({ value: String(colour), label: shade })),
)
const steps = (from: number, names: string[]) =>
  names.map((label, index) => ({ value: String(from + index), label }))
/** Blisters, shine and blotches are there, or they are not spoken of. */
const SKIN = ['blisters', 'shine', 'flour_blotches'] as const
const skin = computed({
  get: () => SKIN.filter((name) => said.value[name]) as string[],
  set: (chosen) => SKIN.forEach((name) => set(name, chosen.includes(name) || undefined)),
})
const empty = computed(() => Object.keys(said.value).length === 0)
function keep() {
  const { part, piece, day } = whose.value
  emit('keep', {
    ...said.value,
    ...(part && { part }),
    ...(piece && { piece }),
    ...(day && { day }),
  } as Sheet)
}
const measures = computed(() => props.lengths as ('height_mm' | 'width_mm' | 'length_mm')[])
</script>

<template>
  <SheetFrame :title="t.title" :lead="`${name}. ${t.lead}`" @close="emit('close')">
    <div class="sheet">
      <div v-if="parts.length > 1 || days.length > 1 || pieces > 1" class="whose">
        <ChoiceRow
          v-if="parts.length > 1"
          :model-value="whose.part"
          :legend="t.part"
          :options="parts.map((value) => ({ value, label: value }))"
          @update:model-value="(part: string) => change({ part })"
        />
        <ChoiceRow
          v-if="days.length > 1"
          :model-value="String(whose.day)"
          :legend="t.when"
          :options="days"
          @update:model-value="(day: string) => change({ day: Number(day) })"
        />
        <TextField
          v-if="pieces > 1"
          :model-value="whose.piece"
          :label="t.piece"
          :most="20"
          @update:model-value="(piece: string) => change({ piece: piece.trim() })"
        />
      </div>

      <LookRow
        v-if="later"
        :model-value="one('keeps')"
        :legend="t.keeps"
        :options="options(t.keepings)"
        @update:model-value="([value]: string[]) => set('keeps', value)"
      />
      <LookRow
        :model-value="one('liked')"
        :legend="t.liked"
        :options="steps(1, t.likings as unknown as string[])"
        @update:model-value="([value]: string[]) => set('liked', value && Number(value))"
      />
      <template v-if="!later">
        <h3>{{ t.outside }}</h3>
        <LookRow
          v-for="look in OUTSIDE"
          :key="look"
          :model-value="one(look)"
          :legend="t.looks[look]!"
          :options="options(t[look])"
          @update:model-value="([value]: string[]) => set(look, value)"
        >
          <template #default="{ value }"><LoafDrawing :what="look" :of="value" /></template>
        </LookRow>
        <LookRow
          v-for="side in ['top_colour', 'base_colour'] as const"
          :key="side"
          :model-value="one(side)"
          :legend="t.looks[side]!"
          :options="shades"
          @update:model-value="([value]: string[]) => set(side, value && Number(value))"
        >
          <template #default="{ value }">
            <span class="chip" :style="{ background: crustColour(Number(value) / 100) }" />
          </template>
        </LookRow>
        <LookRow v-model="skin" several :legend="t.skin" :options="options(t.skins)" />

        <h3>{{ t.inside }}</h3>
        <LookRow
          :model-value="one('openness')"
          :legend="t.looks.openness!"
          :options="options(t.openness)"
          @update:model-value="([value]: string[]) => set('openness', value)"
        >
          <template #default="{ value }"><LoafDrawing what="openness" :of="value" /></template>
        </LookRow>
        <LookRow
          :model-value="said.holes ?? []"
          several
          :legend="t.looks.holes!"
          :options="options(t.holes)"
          @update:model-value="(holes: string[]) => set('holes', holes.length ? holes : undefined)"
        >
          <template #default="{ value }"><LoafDrawing what="holes" :of="value" /></template>
        </LookRow>
        <LookRow
          v-for="look in INSIDE.slice(1)"
          :key="look"
          :model-value="one(look)"
          :legend="t.looks[look]!"
          :options="options(t[look])"
          @update:model-value="([value]: string[]) => set(look, value)"
        >
          <template #default="{ value }"><LoafDrawing :what="look" :of="value" /></template>
        </LookRow>
        <LookRow
          :model-value="one('crumb_colour')"
          :legend="t.looks.crumb_colour!"
          :options="options(t.crumb_colour)"
          @update:model-value="([value]: string[]) => set('crumb_colour', value)"
        />
      </template>

      <h3>{{ t.taste }}</h3>
      <LookRow
        v-if="!later"
        :model-value="one('sourness')"
        :legend="t.looks.sourness!"
        :options="steps(0, t.sournesses as unknown as string[])"
        @update:model-value="([value]: string[]) => set('sourness', value && Number(value))"
      />
      <LookRow
        :model-value="one('flavour')"
        :legend="t.looks.flavour!"
        :options="steps(1, t.flavours as unknown as string[])"
        @update:model-value="([value]: string[]) => set('flavour', value && Number(value))"
      />
      <LookRow
        :model-value="one('crust')"
        :legend="t.looks.crust!"
        :options="options(t.crust)"
        @update:model-value="([value]: string[]) => set('crust', value)"
      >
        <template #default="{ value }"><LoafDrawing what="crust" :of="value" /></template>
      </LookRow>
      <LookRow
        v-if="!later"
        :model-value="one('salt')"
        :legend="t.looks.salt!"
        :options="options(t.salt)"
        @update:model-value="([value]: string[]) => set('salt', value)"
      />
      <FoldedPart v-if="!later" :title="t.measured">
        <div class="measures">
          <MaybeField
            :model-value="said.out_g == null ? null : toMass(said.out_g)"
            :label="t.out_g"
            :unit="massUnit"
            @update:model-value="
              (value: number | null | undefined) => set('out_g', value == null ? undefined : fromMass(value))
            "
          />
          <MaybeField
            v-for="length in measures"
            :key="length"
            :model-value="said[length]"
            :label="t.lengths[length]!"
            unit="mm"
            @update:model-value="(value: number | null | undefined) => set(length, value)"
          />
          <MaybeField
            :model-value="said.cut_min"
            :label="t.cut_min"
            unit="min"
            @update:model-value="(value: number | null | undefined) => set('cut_min', value)"
          />
        </div>
      </FoldedPart>
      <LookRow
        :model-value="said.again == null ? [] : [String(said.again)]"
        :legend="t.again"
        :options="options(t.agains)"
        @update:model-value="([value]: string[]) => set('again', value && value === 'true')"
      />
      <div class="note">
        <label for="loaf-note" class="small quiet">{{ t.note }}</label>
        <ElInput
          id="loaf-note"
          :model-value="said.note ?? ''"
          type="textarea"
          :autosize="{ minRows: 2, maxRows: 8 }"
          maxlength="2000"
          @update:model-value="(note: string) => set('note', note)"
        />
      </div>
      <ElButton class="action" :disabled="empty" @click="keep">{{ t.keep }}</ElButton>
    </div>
  </SheetFrame>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.whose,
.measures {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: end;
}
h3 {
  margin-top: 14px;
  padding-top: 12px;
  border-top: 1px solid var(--hairline);
  font: 650 1.375rem/1.2 var(--show);
}
.chip {
  width: 44px;
  height: 24px;
  border: 1.5px solid currentColor;
  border-radius: 12px;
}
.action {
  min-height: 60px;
  font-size: 1.25rem;
}
</style>
