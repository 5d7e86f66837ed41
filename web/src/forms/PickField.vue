<script setup lang="ts" generic="T extends string">
import { computed, ref, useId } from 'vue'

/** One of several; where there are many, by typing a part of the name. */
const props = defineProps<{ label: string; options: { value: T; label: string }[]; hideLabel?: boolean }>()
const model = defineModel<T>({ required: true })
const id = useId()
const MANY = 8
const many = computed(() => props.options.length > MANY)
const opened = ref(false)
/** The list is made once it is looked at: a room of many fields is there sooner without. */
const listed = computed(() => (opened.value ? props.options : props.options.filter(isChosen)))
const chosen = computed(() => props.options.find(isChosen)?.label ?? '')
function isChosen(option: { value: T }) {
  return option.value === model.value
}
</script>

<template>
  <div class="pick">
    <label class="small quiet" :class="{ 'out-of-sight': hideLabel }" :for="id">{{ label }}</label>
    <ElSelect
      :id="id"
      v-model="model"
      :filterable="many"
      :aria-label="label"
      fit-input-width
      :persistent="false"
      @visible-change="(open: boolean) => (opened ||= open)"
    >
      <template #label>{{ chosen }}</template>
      <ElOption v-for="option in listed" :key="option.value" :value="option.value" :label="option.label" />
    </ElSelect>
  </div>
</template>

<style scoped>
.pick {
  display: grid;
  min-width: 0;
}
</style>
