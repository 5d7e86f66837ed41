<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Asked, type Schemas } from '../../api/client'
import FaultDrawing from '../../charts/FaultDrawing.vue'
import FoldedPart from '../../forms/FoldedPart.vue'
import { useActing } from '../../shell/acting'
import { words } from '../../words'
import { keepDraft } from '../plan/draft'

/** Why a loaf came out so: causes, the likeliest first, what speaks for and against each, and one change. */
const props = defineProps<{ bake: string; part?: string }>()
const t = words.whySo
const more = ref<string[]>([])
const found = reactive(
  useQuery({
    queryKey: ['bakes', computed(() => props.bake), 'why', more],
    queryFn: () =>
      ask(
        api.GET('/api/bakes/{key}/why', {
          params: {
            path: { key: props.bake },
            query: { part: props.part ?? '', more: more.value.join(',') },
          },
        }),
      ),
    placeholderData: (before: Schemas['DiagnosisAnswer'] | undefined) => before,
  }),
)
const answer = computed(() => found.data ?? null)
const causes = computed(() => answer.value?.diagnosis?.causes ?? [])
const likely = computed(() => causes.value.slice(0, answer.value?.in_front))
const others = computed(() => causes.value.slice(answer.value?.in_front))
const percent = (p: number) => Math.round(100 * p)
const faultName = (key: string) =>
  answer.value?.faults.find((each) => each.key === key)?.name ??
  answer.value?.others.find((each) => each.key === key)?.name ??
  key
const comesAgain = computed(() =>
  Object.entries((answer.value?.diagnosis?.change?.predicted.again ?? {}) as Record<string, number>),
)
function toggle(key: string) {
  more.value = more.value.includes(key) ? more.value.filter((each) => each !== key) : [...more.value, key]
}
const router = useRouter()
const { busy, problem, act } = useActing()
/** On to the plan of the same bake with the one change, or to the formula that it is to be made in. */
const planIt = () =>
  act(async () => {
    const query = { part: props.part ?? '', more: more.value.join(',') }
    const found = await ask(
      api.GET('/api/bakes/{key}/next', { params: { path: { key: props.bake }, query } }),
    )
    if (found.in_formula) return router.push(`/formulas?formula=${found.formula_id}`)
    const asked = Object.fromEntries(Object.entries(found.asked).filter(([, value]) => value !== null))
    keepDraft({ asked: asked as Asked, id: null })
    return router.push('/plan')
  })
const unexplained = computed(() => (answer.value?.diagnosis?.unexplained ?? []).map(faultName).join(', '))
</script>

<template>
  <section v-if="answer?.diagnosis" class="why">
    <h2>{{ t.title }}</h2>
    <p class="quiet">{{ t.lead }}</p>
    <p>
      <span class="small quiet">{{ t.seen }}</span>
      {{ answer.faults.map((each) => each.name).join(', ') }}
    </p>
    <div class="more no-print" role="group" :aria-label="t.more">
      <span class="small quiet">{{ t.more }}</span>
      <ElButton
        v-for="fault in [...answer.others, ...answer.faults.filter((each) => more.includes(each.key))]"
        :key="fault.key"
        class="plain"
        :aria-pressed="more.includes(fault.key)"
        @click="toggle(fault.key)"
        ><FaultDrawing :of="fault.key" />{{ fault.name }}</ElButton
      >
    </div>
    <div class="both">
      <div class="causes-part">
        <p v-if="!answer.stands_out" class="nothing">{{ t.nothing }}</p>
        <ol class="causes" aria-live="polite">
          <li v-for="cause in likely" :key="cause.cause">
            <div class="head">
              <strong>{{ cause.name }}</strong>
              <span class="small quiet">{{ t.likely({ percent: percent(cause.p) }) }}</span>
            </div>
            <div class="bar" aria-hidden="true"><span :style="{ width: `${percent(cause.p)}%` }"></span></div>
            <dl>
              <template v-if="cause.for_.length">
                <dt class="small quiet">{{ t.for }}</dt>
                <dd v-for="each in cause.for_" :key="each.evidence">{{ each.text }}</dd>
              </template>
              <template v-if="cause.against.length">
                <dt class="small quiet">{{ t.against }}</dt>
                <dd v-for="each in cause.against" :key="each.evidence">{{ each.text }}</dd>
              </template>
            </dl>
          </li>
        </ol>
        <p v-if="others.length" class="small">
          <span class="quiet">{{ t.others }}</span>
          {{ others.map((each) => each.name).join(', ') }}
        </p>
        <p v-if="unexplained">{{ t.unexplained({ faults: unexplained }) }}</p>
        <FoldedPart v-if="answer.diagnosis.ruled_out.length" :title="t.ruledOut">
          <ul class="out">
            <li v-for="each in answer.diagnosis.ruled_out" :key="each.cause">
              <strong>{{ each.name }}</strong> {{ each.text }}
            </li>
          </ul>
        </FoldedPart>
      </div>
      <aside v-if="answer.diagnosis.change || answer.diagnosis.look_next" class="next-time">
        <div v-if="answer.diagnosis.change" class="change">
          <p class="small quiet">{{ t.change }}</p>
          <p class="said">{{ answer.diagnosis.change.text }}</p>
          <p v-for="[fault, p] in comesAgain" :key="fault" class="small">
            {{ t.again({ fault: faultName(fault), percent: percent(p) }) }}
          </p>
          <ElButton class="no-print" :loading="busy" @click="planIt">{{
            answer.change_in_formula ? t.toFormula : t.plan
          }}</ElButton>
          <p v-if="problem" class="small" role="alert">{{ problem }}</p>
        </div>
        <p v-if="answer.diagnosis.look_next">
          <span class="small quiet">{{ t.lookNext }}</span> {{ answer.diagnosis.look_next.text }}
        </p>
      </aside>
    </div>
  </section>
</template>

<style scoped>
.why {
  display: grid;
  gap: 12px;
}
.why > p,
.more {
  max-width: 74ch;
}
.both {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 20px 56px;
  align-items: start;
}
.causes-part,
.next-time {
  display: grid;
  gap: 12px;
}
@media (max-width: 900px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.more :deep(.el-button > span) {
  display: flex;
  gap: 8px;
  align-items: center;
}
.causes {
  display: grid;
  gap: 16px;
  list-style: none;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: baseline;
}
.head strong::first-letter,
.out strong::first-letter {
  text-transform: uppercase;
}
.bar {
  height: 6px;
  background: var(--hairline);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink);
}
dl {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 0 12px;
  padding-top: 6px;
}
dt {
  padding-top: 2px;
}
dd {
  grid-column: 2;
  margin: 0;
}
.nothing,
.change {
  padding-left: 12px;
  border-left: 3px solid var(--ink);
}
.change .said {
  font-size: 1.25rem;
  font-weight: 600;
  line-height: 1.35;
}
</style>
