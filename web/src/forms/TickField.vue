<script setup lang="ts">
defineProps<{ label: string }>()
const model = defineModel<boolean>({ required: true })
</script>

<template>
  <ElCheckbox v-model="model" :label="label" />
</template>
