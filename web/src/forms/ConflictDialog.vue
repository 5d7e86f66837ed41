<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Changed } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'

/** Two changes of one thing: mine and theirs, field by field, chosen with a tap. */
const props = defineProps<{ changed: Changed | null; what: string }>()
const emit = defineEmits<{ settle: [Record<string, unknown>]; close: [] }>()
const t = words.conflict
type Field = Changed['fields'][number]
type Side = 'mine' | 'theirs' | 'both'
const chosen = ref<Record<string, Side>>({})
watch(
  () => props.changed,
  (changed) => {
    chosen.value = Object.fromEntries((changed?.fields ?? []).map((field) => [field.path, field.proposed]))
  },
  { immediate: true },
)
const fields = computed(() => props.changed?.fields ?? [])
const { warmth, mass } = useUnits()
/** A value as it is read: figures in the baker's own units, lists by their names. */
function named(value: unknown, unit = ''): string {
  if (value === null || value === undefined || value === '') return t.nothing
  if (typeof value === 'boolean') return value ? t.yes : t.no
  if (Array.isArray(value)) return value.length ? value.map((each) => named(each)).join(', ') : t.nothing
  if (typeof value === 'object') {
    const { name, kind, id, ...rest } = value as Record<string, unknown>
    const title = name || kind || id
    return title
      ? String(title)
      : Object.values(rest)
          .map((each) => named(each))
          .join(' ')
  }
  if (typeof value === 'number' && unit === 'C') return warmth(value)
  if (typeof value === 'number' && unit === 'g') return mass(value)
  return unit ? `${String(value)} ${unit}` : String(value)
}
const sides = (field: Field): Side[] => (field.both != null ? ['mine', 'theirs', 'both'] : ['mine', 'theirs'])
function settle() {
  emit(
    'settle',
    Object.fromEntries(fields.value.map((field) => [field.path, field[chosen.value[field.path] ?? 'mine']])),
  )
}
</script>

<template>
  <ElDialog
    :model-value="changed !== null"
    :title="t.title({ what })"
    width="min(640px, 94vw)"
    align-center
    @close="emit('close')"
  >
    <p>{{ t.lead }}</p>
    <fieldset v-for="field in fields" :key="field.path">
      <legend>{{ field.words }}</legend>
      <ElRadioGroup v-model="chosen[field.path]" :aria-label="field.words">
        <ElRadio v-for="side in sides(field)" :key="side" :value="side" border>
          <span class="small quiet">{{ t.sides[side] }}</span>
          <span class="value">{{ named(field[side], field.unit) }}</span>
        </ElRadio>
      </ElRadioGroup>
    </fieldset>
    <template #footer>
      <ElButton @click="emit('close')">{{ t.later }}</ElButton>
      <ElButton class="action" @click="settle">{{ t.save }}</ElButton>
    </template>
  </ElDialog>
</template>

<style scoped>
fieldset {
  margin: 0;
  padding: 12px 0 10px;
  border: 0;
  border-top: 1px solid var(--hairline);
}
legend {
  float: left;
  width: 100%;
  padding: 0 0 6px;
  font-weight: 600;
}
.el-radio-group {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 8px;
  width: 100%;
}
.el-radio {
  height: auto;
  min-height: 56px;
  height: 100%;
  margin: 0;
  padding: 6px 12px;
  white-space: normal;
}
.value {
  display: block;
  overflow-wrap: anywhere;
}
</style>
