<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { api, ask, type Asked, type Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import TextField from '../../forms/TextField.vue'
import TickField from '../../forms/TickField.vue'
import { useActing } from '../../shell/acting'
import AskedState from '../../shell/AskedState.vue'
import { words } from '../../words'
import SheetFrame from '../bench/SheetFrame.vue'

/** One dough in two parts that go the same way but for one thing: which thing, and what is to be found out. */
const props = defineProps<{
  asked: Asked
  plan: string | null
  keep: (offer: Schemas['TrialOfferLine'], question: string, blind: boolean) => Promise<void>
}>()
const emit = defineEmits<{ close: [] }>()
const t = words.log
const found = reactive(
  useQuery({
    queryKey: ['trial offers', JSON.stringify(props.asked)],
    queryFn: () =>
      ask(api.POST('/api/plan/trials', { body: props.asked, params: { query: { plan: props.plan ?? '' } } })),
    retry: false,
  }),
)
const offers = computed(() => found.data?.offers ?? [])
const code = ref('')
const question = ref('')
const blind = ref(false)
const offer = computed(() => offers.value.find((each) => each.code === code.value) ?? null)
watch(offers, ([first]) => {
  if (first && !offer.value) code.value = first.code
})
watch(offer, (now, before) => {
  if (now && (!question.value || question.value === `${before?.title ?? ''}?`))
    question.value = `${now.title}?`
})
const { busy, problem, act } = useActing()
async function keepIt() {
  if (offer.value && (await act(() => props.keep(offer.value!, question.value, blind.value)))) emit('close')
}
</script>

<template>
  <SheetFrame :title="words.plan.tryBoth" :lead="t.trialLead" @close="emit('close')">
    <AskedState :query="found" :rows="3">
      <p v-if="!offers.length" role="status">{{ t.offersNone }}</p>
      <form v-else @submit.prevent="keepIt">
        <ChoiceRow
          v-model="code"
          :legend="t.trial"
          :options="offers.map((each) => ({ value: each.code, label: each.title }))"
        />
        <ul v-if="offer">
          <li v-for="(says, place) in offer.says" :key="place">
            {{ words.card.side({ part: offer.parts[place]!, says }) }}
          </li>
        </ul>
        <TextField v-model="question" :label="t.question" :most="200" />
        <div>
          <TickField v-model="blind" :label="t.blind" />
          <p class="small quiet">{{ t.blindHint }}</p>
        </div>
        <p v-if="problem" class="inverted wrong" role="alert">{{ problem }}</p>
        <ElButton native-type="submit" class="action" :loading="busy" :disabled="!offer">{{
          t.planIt
        }}</ElButton>
      </form>
    </AskedState>
  </SheetFrame>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  max-width: 720px;
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
</style>
