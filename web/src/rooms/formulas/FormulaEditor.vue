<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ask, Refused, type FormulaAnswer, type Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import NumberField from '../../forms/NumberField.vue'
import WarmthSlider from '../../forms/WarmthSlider.vue'
import { words } from '../../words'
import WeighTables from './WeighTables.vue'

type Body = Schemas['FormulaBody']
const props = defineProps<{
  start: Body
  flours: Record<string, string>
  preferments: Record<string, NonNullable<Body['preferment']>>
}>()
const emit = defineEmits<{ save: [Body]; close: [] }>()
const t = words.formulas

const form = ref<Body>(JSON.parse(JSON.stringify(props.start)) as Body)
const seen = ref<FormulaAnswer | null>(null)
const refused = ref<Refused | null>(null)
let asking = false
let again = false

/** Weigh what is written so far; the newest question wins. */
async function weigh() {
  if (asking) {
    again = true
    return
  }
  asking = true
  do {
    again = false
    try {
      seen.value = await ask(api.POST('/api/formulas/preview', { body: form.value }))
      refused.value = null
    } catch (error) {
      refused.value = error instanceof Refused ? error : new Refused(words.failed, [])
    }
  } while (again)
  asking = false
}
watch(form, () => void weigh(), { deep: true, immediate: true })

const kinds = ['none', 'levain', 'poolish', 'biga', 'sponge'] as const
const preferment = computed({
  get: () => form.value.preferment?.kind ?? 'none',
  set: (kind: (typeof kinds)[number]) => {
    if (kind === 'none') {
      form.value.preferment = null
      return
    }
    const usual = props.preferments[kind]
    if (!usual) return
    const flour = form.value.preferment?.flour_kind ?? form.value.flours[0]?.kind ?? usual.flour_kind
    form.value.preferment = { ...usual, flour_kind: flour }
  },
})
const sum = computed(() => form.value.flours.reduce((total, share) => total + share.percent, 0))
const shapes = computed(() =>
  Object.entries(t.shapes).map(([value, label]) => ({ value: value as Body['shape'], label })),
)
const extraKinds = Object.entries(t.extraKinds)

function addFlour() {
  const unused = Object.keys(props.flours).find(
    (kind) => !form.value.flours.some((share) => share.kind === kind),
  )
  if (unused)
    form.value.flours.push({ kind: unused, percent: Math.max(Math.round((100 - sum.value) * 10) / 10, 0) })
}
function addExtra() {
  form.value.extras?.push({ name: t.extraKinds.seeds!, kind: 'seeds', percent: 5 })
}
</script>

<template>
  <form class="editor" novalidate @submit.prevent="emit('save', form)">
    <div class="write">
      <label class="name">
        <span class="small quiet">{{ t.name }}</span>
        <input v-model="form.name" class="field" maxlength="80" />
      </label>
      <fieldset>
        <legend>{{ t.flours }}, {{ t.together }} {{ Math.round(sum * 10) / 10 }} %</legend>
        <div v-for="(share, index) in form.flours" :key="index" class="line">
          <ElSelect v-model="share.kind" :aria-label="`${t.flours} ${index + 1}`">
            <ElOption v-for="(name, kind) in flours" :key="kind" :value="kind" :label="name" />
          </ElSelect>
          <NumberField v-model="share.percent" :label="`${flours[share.kind]} %`" unit="%" hide-label />
          <button
            type="button"
            class="link"
            :disabled="form.flours.length === 1"
            :aria-label="`${t.remove}: ${flours[share.kind]}`"
            @click="form.flours.splice(index, 1)"
          >
            {{ t.remove }}
          </button>
        </div>
        <button type="button" class="plain" @click="addFlour">{{ t.addFlour }}</button>
      </fieldset>
      <div class="pair">
        <NumberField v-model="form.hydration_percent" :label="t.hydration" unit="%" />
        <NumberField v-model="form.salt_percent" :label="t.salt" unit="%" />
        <NumberField v-model="form.instant_yeast_percent" :label="t.yeast" unit="%" />
      </div>
      <ChoiceRow
        v-model="preferment"
        :legend="t.preferment"
        :options="kinds.map((kind) => ({ value: kind, label: t.preferments[kind]! }))"
      />
      <div v-if="form.preferment" class="pair">
        <div class="its-flour">
          <span class="small quiet">{{ t.prefermentFlour }}</span>
          <ElSelect v-model="form.preferment.flour_kind" :aria-label="t.prefermentFlour">
            <ElOption
              v-for="share in form.flours"
              :key="share.kind"
              :value="share.kind"
              :label="flours[share.kind] ?? share.kind"
            />
          </ElSelect>
        </div>
        <NumberField v-model="form.preferment.flour_percent" :label="t.prefermentShare" unit="%" />
        <NumberField v-model="form.preferment.hydration_percent" :label="t.prefermentWater" unit="%" />
        <NumberField
          v-if="form.preferment.kind !== 'levain'"
          v-model="form.preferment.yeast_percent"
          :label="t.prefermentYeast"
          unit="%"
        />
      </div>
      <fieldset>
        <legend>{{ t.extras }}</legend>
        <div v-for="(extra, index) in form.extras" :key="index" class="line extra">
          <input v-model="extra.name" class="field" maxlength="60" :aria-label="`${t.extras} ${index + 1}`" />
          <ElSelect v-model="extra.kind" :aria-label="`${t.kind}: ${extra.name}`">
            <ElOption v-for="[kind, name] in extraKinds" :key="kind" :value="kind" :label="name" />
          </ElSelect>
          <NumberField v-model="extra.percent" :label="`${extra.name} %`" unit="%" hide-label />
          <button
            type="button"
            class="link"
            :aria-label="`${t.remove}: ${extra.name}`"
            @click="form.extras?.splice(index, 1)"
          >
            {{ t.remove }}
          </button>
        </div>
        <button type="button" class="plain" @click="addExtra">{{ t.addExtra }}</button>
      </fieldset>
      <div class="pair">
        <NumberField v-model="form.pieces" :label="t.piecesLabel" />
        <NumberField v-model="form.scaling_weight_g" :label="t.weight" unit="g" />
        <NumberField v-model="form.autolyse_min" :label="t.autolyse" unit="min" />
      </div>
      <WarmthSlider v-model="form.dough_c" :label="t.doughC" :low="18" :high="32" />
      <ChoiceRow v-model="form.shape" :legend="t.shape" :options="shapes" />
      <label class="name">
        <span class="small quiet">{{ t.note }}</span>
        <input v-model="form.note" class="field" maxlength="300" />
      </label>
    </div>
    <div class="watch">
      <p v-if="refused" class="inverted error" role="alert">{{ refused.message }}</p>
      <div class="acts">
        <button type="submit" class="action" :disabled="refused !== null">{{ t.save }}</button>
        <button type="button" class="link" @click="emit('close')">{{ t.cancel }}</button>
      </div>
      <WeighTables v-if="seen" :answer="seen" :class="{ stale: refused }" />
    </div>
  </form>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 36px;
}
.write,
.watch {
  display: grid;
  gap: 18px;
  align-content: start;
}
legend {
  font-size: 15px;
  color: var(--quiet);
  padding: 0 0 4px;
}
.name {
  display: grid;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: center;
  margin-bottom: 6px;
}
.line.extra {
  grid-template-columns: minmax(0, 1fr) 116px auto auto;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: end;
}
.its-flour {
  display: grid;
  width: 190px;
}
.acts {
  display: flex;
  gap: 16px;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
.stale {
  opacity: 0.45;
}
@media (max-width: 1000px) {
  .editor {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 720px) {
  .line.extra {
    grid-template-columns: minmax(0, 1fr) auto;
  }
}
</style>
