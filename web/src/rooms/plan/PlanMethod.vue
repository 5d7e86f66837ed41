<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Asked, PlanAnswer } from '../../api/client'
import { asRefused } from '../../shell/newest'
import { words } from '../../words'
import { useKeepMethod } from '../formulas/keepMethod'
import MethodEditor from '../formulas/MethodEditor.vue'
import type { Body } from '../formulas/useWork'

/** The stages of this bake: changed for it alone, or kept in the formula. */
const props = defineProps<{ answer: PlanAnswer; asked: Asked; plan: string | null }>()
const emit = defineEmits<{ change: [Partial<Asked>] }>()
const t = words.plan
const OWN = 'of_formula'
type Method = Body['method']

const copy = <T,>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const ofFormula = computed(() => (props.answer.formula.method ?? null) as Method)
function begun(): Body {
  const method = props.asked.method ?? (props.asked.style === OWN ? ofFormula.value : null)
  return {
    ...(copy(props.answer.formula) as unknown as Body),
    pieces: props.asked.pieces ?? props.answer.formula.pieces,
    scaling_weight_g: props.asked.scaling_weight_g ?? props.answer.formula.scaling_weight_g,
    method: copy(method ?? null) as Method,
  }
}
const form = ref<Body>(begun())
/** The method that was taken over from the plan: only what differs from it was changed here. */
let taken = JSON.stringify(form.value.method ?? null)
const refused = ref('')
const keepMethod = useKeepMethod()

watch(
  () => JSON.stringify(form.value.method ?? null),
  (now) => {
    if (now === taken) return
    taken = now
    const { method, pieces } = form.value
    if (!method) return emit('change', { method: undefined, style: undefined })
    emit('change', {
      method: copy(method) as Asked['method'],
      style: undefined,
      pieces,
      later_pieces: method.parts?.length ? 0 : props.asked.later_pieces,
    })
  },
)
// A way that was taken elsewhere on the page is shown here, too; the formula's own once its answer is there.
watch(
  () => JSON.stringify([props.asked.method, props.asked.style, props.answer.formula.name, ofFormula.value]),
  () => {
    if (props.asked.style === OWN && !ofFormula.value) return
    const next = begun()
    const method = JSON.stringify(next.method ?? null)
    if (method === taken && next.name === form.value.name) return
    taken = method
    form.value = next
  },
)
async function keep() {
  refused.value = ''
  const method = form.value.method ?? null
  try {
    await keepMethod(props.asked.formula_id, method)
    emit('change', { method: undefined, style: method ? OWN : undefined, version: undefined })
  } catch (error) {
    refused.value = asRefused(error).message
  }
}
</script>

<template>
  <div class="method">
    <MethodEditor
      :form="form"
      :of-plan="{ asked, plan: plan ?? '' }"
      :start-style="asked.style === OWN ? null : asked.style"
      @style="(style) => emit('change', { style, method: undefined, fridge_days: 0 })"
    />
    <p v-if="asked.method" class="small">
      {{ t.stagesForThis }}
      <ElButton class="link" @click="keep">{{ t.keepInFormula }}</ElButton>
    </p>
    <p v-if="refused" class="small" role="alert">{{ refused }}</p>
  </div>
</template>
