<script setup lang="ts" generic="T extends string">
import { computed, useId } from 'vue'

/** One of several; where there are many, by typing a part of the name. */
const props = defineProps<{ label: string; options: { value: T; label: string }[]; hideLabel?: boolean }>()
const model = defineModel<T>({ required: true })
const id = useId()
const MANY = 8
const many = computed(() => props.options.length > MANY)
</script>

<template>
  <div class="pick">
    <label class="small quiet" :class="{ 'out-of-sight': hideLabel }" :for="id">{{ label }}</label>
    <ElSelect :id="id" v-model="model" :filterable="many" :aria-label="label" fit-input-width>
      <ElOption v-for="option in options" :key="option.value" :value="option.value" :label="option.label" />
    </ElSelect>
  </div>
</template>

<style scoped>
.pick {
  display: grid;
  min-width: 0;
}
</style>
