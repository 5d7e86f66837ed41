<script setup lang="ts">
import { useId } from 'vue'

/** A name or a note. One that must be given says so under itself once it was left empty; ``prop`` is its field. */
defineProps<{ label: string; most: number; prop?: string; required?: string; rows?: number }>()
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <ElFormItem
    class="text-field"
    :prop="prop"
    :label-for="id"
    :rules="required ? [{ required: true, whitespace: true, message: required, trigger: 'blur' }] : undefined"
  >
    <template #label>
      <span class="small quiet">{{ label }}</span>
    </template>
    <ElInput
      :id="id"
      v-model="model"
      :type="rows ? 'textarea' : 'text'"
      :rows="rows"
      :maxlength="most"
      autocomplete="off"
    />
    <template #error="{ error }">
      <p class="small inverted error" role="alert">{{ error }}</p>
    </template>
  </ElFormItem>
</template>

<style scoped>
.text-field {
  display: grid;
  min-width: 0;
  margin: 0;
}
.text-field :deep(.el-form-item__label) {
  display: block;
  width: auto;
  height: auto;
  padding: 0;
  line-height: inherit;
  text-align: left;
}
.text-field :deep(.el-form-item__label)::before {
  content: none !important;
}
.text-field :deep(.el-form-item__content) {
  display: block;
  line-height: inherit;
}
.error {
  margin-top: 4px;
  padding: 6px 10px;
}
</style>
