<script setup lang="ts">
import { ref } from 'vue'
import type { UploadFile, UploadInstance } from 'element-plus'

/** A file that is chosen; what becomes of it is the room's matter. */
defineProps<{ label: string; accept: string; busy?: boolean }>()
const emit = defineEmits<{ chosen: [file: File] }>()
const upload = ref<UploadInstance | null>(null)

function taken(file: UploadFile) {
  upload.value?.clearFiles()
  if (file.raw) emit('chosen', file.raw)
}
</script>

<template>
  <ElUpload
    ref="upload"
    class="file-field"
    :accept="accept"
    :auto-upload="false"
    :show-file-list="false"
    :disabled="busy"
    :on-change="taken"
  >
    <span class="plain">{{ label }}</span>
  </ElUpload>
</template>
