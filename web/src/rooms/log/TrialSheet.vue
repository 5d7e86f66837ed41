<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { api, ask } from '../../api/client'
import TextField from '../../forms/TextField.vue'
import TickField from '../../forms/TickField.vue'
import { useActing } from '../../shell/acting'
import { newKey } from '../../shell/keys'
import { words } from '../../words'
import SheetFrame from '../bench/SheetFrame.vue'

/** Bakes that are kept as a trial: what is to be found out, and what each side does. */
const props = defineProps<{
  formula: string
  sides: { bake: string; part: string; name: string }[]
}>()
const emit = defineEmits<{ close: []; kept: [string] }>()
const t = words.log
const client = useQueryClient()
const question = ref('')
const says = reactive(props.sides.map(() => ''))
const blind = ref(false)
const parts = props.sides.every((side) => side.part)
const { busy, problem, act } = useActing()
const key = newKey()
const keep = () =>
  act(async () => {
    const body = {
      formula_id: props.formula,
      question: question.value,
      blind: blind.value,
      sides: props.sides.map(({ bake, part }, index) => ({ bake, part, says: says[index]! })),
    }
    await ask(api.PUT('/api/trials/{key}', { params: { path: { key } }, body }))
    await client.invalidateQueries({ queryKey: ['trials'] })
    emit('kept', key)
  })
</script>

<template>
  <SheetFrame :title="t.trialTitle" :lead="t.trialLead" @close="emit('close')">
    <form @submit.prevent="keep">
      <TextField v-model="question" :label="t.question" :most="200" />
      <TextField
        v-for="(side, index) in sides"
        :key="side.bake + side.part"
        v-model="says[index]!"
        :label="t.sideSays({ side: side.name })"
        :most="200"
      />
      <div v-if="parts">
        <TickField v-model="blind" :label="t.blind" />
        <p class="small quiet">{{ t.blindHint }}</p>
      </div>
      <p v-if="problem" class="inverted wrong" role="alert">{{ problem }}</p>
      <ElButton native-type="submit" class="action" :loading="busy">{{ t.keepTrial }}</ElButton>
    </form>
  </SheetFrame>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  max-width: 640px;
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
</style>
