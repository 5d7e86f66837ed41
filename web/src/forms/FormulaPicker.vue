<script setup lang="ts">
import { useId } from 'vue'
import { useFormulas, type FormulaLine } from '../shell/formulas'
import { words } from '../words'

/** A formula chosen from the list, or found by a part of its name. */
const props = defineProps<{ modelValue: string; label: string; hideLabel?: boolean; called?: string }>()
const emit = defineEmits<{ 'update:modelValue': [string]; chosen: [FormulaLine] }>()
const { query, name, lines, more, lineOf } = useFormulas()
const id = useId()

function choose(key: string) {
  name.value = ''
  emit('update:modelValue', key)
  const line = lineOf(key)
  if (line) emit('chosen', line)
}
</script>

<template>
  <div class="picker">
    <label v-if="!hideLabel" :for="id" class="small quiet">{{ label }}</label>
    <ElSelect
      :persistent="false"
      :id="id"
      :model-value="props.modelValue"
      :aria-label="label"
      filterable
      remote
      remote-show-suffix
      :remote-method="(text: string) => (name = text)"
      @visible-change="(open: boolean) => open || (name = '')"
      @update:model-value="choose"
    >
      <template #label>{{ called ?? lineOf(modelValue)?.name }}</template>
      <ElOption v-for="line in lines" :key="line.id" :value="line.id" :label="line.name" />
      <template #empty>
        <p class="none quiet">{{ query.isFetching.value ? words.loading : words.formulas.noneOfName }}</p>
      </template>
      <template v-if="more" #footer>
        <span class="small quiet">{{ words.formulas.moreByName }}</span>
      </template>
    </ElSelect>
  </div>
</template>

<style scoped>
.picker {
  display: grid;
  min-width: 0;
}
.none {
  padding: 10px 12px;
}
</style>
