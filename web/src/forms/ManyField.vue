<script setup lang="ts">
import { computed, ref, useId } from 'vue'

/** Several of a list, in the order in which they were chosen. */
const props = defineProps<{
  label: string
  options: { value: string; label: string }[]
  /** What holds while nothing is chosen. */
  placeholder: string
}>()
const model = defineModel<string[]>({ required: true })
const id = useId()
const opened = ref(false)
const listed = computed(() =>
  opened.value ? props.options : props.options.filter((option) => model.value.includes(option.value)),
)
</script>

<template>
  <div class="many">
    <label class="small quiet" :for="id">{{ label }}</label>
    <ElSelect
      :id="id"
      v-model="model"
      multiple
      :aria-label="label"
      :placeholder="placeholder"
      fit-input-width
      :persistent="false"
      @visible-change="(open: boolean) => (opened ||= open)"
    >
      <ElOption v-for="option in listed" :key="option.value" :value="option.value" :label="option.label" />
    </ElSelect>
  </div>
</template>

<style scoped>
.many {
  display: grid;
  min-width: 240px;
}
</style>
