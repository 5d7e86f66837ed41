<script setup lang="ts" generic="T extends string">
/** One of a few, all of them seen. */
defineProps<{ legend: string; options: { value: T; label: string }[] }>()
const model = defineModel<T>({ required: true })
</script>

<template>
  <fieldset class="choice">
    <legend class="small quiet">{{ legend }}</legend>
    <ElRadioGroup v-model="model" :aria-label="legend">
      <ElRadioButton
        v-for="option in options"
        :key="option.value"
        :value="option.value"
        :label="option.label"
      />
    </ElRadioGroup>
  </fieldset>
</template>

<style scoped>
legend {
  padding: 0 0 4px;
}
</style>
