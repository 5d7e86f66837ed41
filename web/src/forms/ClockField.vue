<script setup lang="ts">
import { ref, useId, watch } from 'vue'

defineProps<{ label: string; steps?: boolean }>()
const model = defineModel<string>({ required: true })
const id = useId()
const text = ref(model.value)
watch(model, (value) => (text.value = value))

/** 7, 730, 7.30 and 7:30 are all half past seven or seven; anything else goes to the server, which says why not. */
function read() {
  const found = /^(\d{1,2})(?:[:.h ]?(\d{2}))?$/.exec(text.value.trim())
  const said = found ? `${found[1]!.padStart(2, '0')}:${found[2] ?? '00'}` : text.value.trim()
  if (said !== model.value) model.value = said
  text.value = said
}

function move(minutes: number) {
  const [hours, rest] = model.value.split(':').map(Number)
  if (hours === undefined || rest === undefined || Number.isNaN(hours + rest)) return
  const total = (hours * 60 + rest + minutes + 1440) % 1440
  model.value = `${String(Math.floor(total / 60)).padStart(2, '0')}:${String(total % 60).padStart(2, '0')}`
}
</script>

<template>
  <div class="clock-field">
    <label class="small quiet" :for="id">{{ label }}</label>
    <div class="row">
      <ElButton v-if="steps" :aria-label="`${label}: 15 min −`" @click="move(-15)">−</ElButton>
      <ElInput
        :id="id"
        v-model="text"
        class="figure"
        inputmode="numeric"
        autocomplete="off"
        maxlength="8"
        @change="read"
        @keydown.enter="read"
        @keydown.up.prevent="move(15)"
        @keydown.down.prevent="move(-15)"
      />
      <ElButton v-if="steps" :aria-label="`${label}: 15 min +`" @click="move(15)">+</ElButton>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  gap: 6px;
}
.figure :deep(.el-input__inner) {
  text-align: center;
  font-weight: 650;
}
</style>
