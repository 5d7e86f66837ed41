<script setup lang="ts">
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, defineAsyncComponent, reactive, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { api, ask } from '../../api/client'
import PickField from '../../forms/PickField.vue'
import AskedState from '../../shell/AskedState.vue'
import { usePages } from '../../shell/pages'
import { words } from '../../words'
import BakeLines from './BakeLines.vue'
import LogFrame from './LogFrame.vue'

const EnterBake = defineAsyncComponent(() => import('./EnterBake.vue'))
const OutAndIn = defineAsyncComponent(() => import('./OutAndIn.vue'))

/** Every bake that was begun, the latest first: searched, set side by side, entered, written out and brought in. */
const t = words.log
const MANY = 12
const MOST = 6
const router = useRouter()
const client = useQueryClient()
const name = ref('')
/** Stands for no choice: a field that says nothing looks as if something were missing. */
const ANY = 'any'
const sought = reactive({ formula: ANY, culture: ANY, season: ANY, liked: ANY, fault: ANY })
const words_ = refDebounced(name, 200)
const query = computed(() => {
  const { liked, ...rest } = Object.fromEntries(Object.entries(sought).filter(([, value]) => value !== ANY))
  return { name: words_.value.slice(0, 80), ...rest, ...(liked && { liked: Number(liked) }) }
})
const seeking = computed(() => Object.values(query.value).some(Boolean))
const key = computed(() => JSON.stringify(query.value))
const bakes = usePages(['bakes', key], async (more) => {
  const found = await ask(api.GET('/api/bakes', { params: { query: { more, ...query.value } } }))
  return { lines: found.bakes, more: found.more ?? '' }
})
const list = reactive(bakes.query)
const choices = useQuery({
  queryKey: ['bakes', 'choices'],
  queryFn: () => ask(api.GET('/api/bakes/choices')),
  placeholderData: keepPreviousData,
})
const some = computed(() => choices.data.value?.choices)
const many = computed(() => (some.value?.bakes ?? 0) > MANY || seeking.value)
const any = (label: string, found: { value: string; label: string }[]) => [{ value: ANY, label }, ...found]
const formulas = computed(() =>
  any(t.anyFormula, (some.value?.formulas ?? []).map((each) => ({ value: each.key, label: each.name }))),
) // prettier-ignore
const cultures = computed(() =>
  any(t.anyCulture, (some.value?.cultures ?? []).map((each) => ({ value: each.key, label: each.name }))),
) // prettier-ignore
const faults = computed(() =>
  any(t.anyFault, (some.value?.faults ?? []).map((each) => ({ value: each.key, label: each.name }))),
) // prettier-ignore
const seasons = any(t.anySeason, Object.entries(t.seasons).map(([value, label]) => ({ value, label }))) // prettier-ignore
const likings = any(t.anyLiking, [5, 4, 3, 2].map((of) => ({ value: String(of), label: t.likedOrMore({ of }) }))) // prettier-ignore
function showAll() {
  name.value = ''
  for (const name of Object.keys(sought) as (keyof typeof sought)[]) sought[name] = ANY
}

const chosen = ref<string[]>([])
/** The older one stands first, as it was baked first. */
function compare() {
  const order = bakes.lines.value.map((line) => line.id).reverse()
  const of = [...chosen.value].sort((a, b) => order.indexOf(a) - order.indexOf(b))
  void router.push({ path: '/log/compare', query: { of: of.join(',') } })
}
const entering = ref(false)
async function entered(id: string) {
  entering.value = false
  await client.invalidateQueries({ queryKey: ['bakes'] })
  await router.push(`/log/${id}`)
}
</script>

<template>
  <LogFrame :lead="t.lead">
    <template #beside>
      <ElButton class="no-print" @click="entering = true">{{ t.enter }}</ElButton>
    </template>
    <EnterBake v-if="entering" @close="entering = false" @entered="entered" />
    <div v-if="many" class="find no-print">
      <ElInput
        v-model="name"
        class="words"
        type="search"
        :aria-label="t.find"
        :placeholder="t.find"
        clearable
        maxlength="80"
      />
      <PickField v-model="sought.formula" :label="t.formula" hide-label :options="formulas" />
      <PickField
        v-if="cultures.length > 1"
        v-model="sought.culture"
        :label="t.culture"
        hide-label
        :options="cultures"
      />
      <PickField v-model="sought.season" :label="t.season" hide-label :options="seasons" />
      <PickField v-model="sought.liked" :label="t.liking" hide-label :options="likings" />
      <PickField
        v-if="faults.length > 1"
        v-model="sought.fault"
        :label="t.fault"
        hide-label
        :options="faults"
      />
    </div>
    <AskedState :query="list" :rows="4">
      <div v-if="!bakes.lines.value.length && seeking" role="status">
        <h2 class="none">{{ t.none }}</h2>
        <p>
          {{ t.noneMore }} <ElButton class="link" @click="showAll">{{ t.all }}</ElButton>
        </p>
      </div>
      <template v-else-if="!bakes.lines.value.length">
        <h2 class="none">{{ words.bakes.none }}</h2>
        <p>{{ words.bakes.noneMore }}</p>
        <p>
          <RouterLink to="/bench">{{ words.bench.toBench }}</RouterLink>
        </p>
      </template>
      <BakeLines v-else v-model:chosen="chosen" :lines="bakes.lines.value" />
    </AskedState>
    <ElButton v-if="bakes.more.value" :loading="bakes.busy.value" class="earlier" @click="bakes.further()">{{
      words.earlier
    }}</ElButton>
    <div v-if="chosen.length" class="chosen inverted no-print" role="status">
      <span>{{ chosen.length > MOST ? t.tooMany : t.chosen({ count: chosen.length }) }}</span>
      <ElButton :disabled="chosen.length < 2 || chosen.length > MOST" @click="compare">{{
        t.compare
      }}</ElButton>
      <ElButton @click="chosen = []">{{ t.clear }}</ElButton>
    </div>
    <OutAndIn :removed="some?.removed ?? 0" :bakes="some?.bakes ?? 0" />
  </LogFrame>
</template>

<style scoped>
.find {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(126px, 1fr));
  gap: 8px;
}
.words {
  grid-column: span 2;
}
.earlier {
  justify-self: start;
}
.none {
  margin-top: 18px;
  font-size: 1.875rem;
}
.chosen {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  padding: 12px 18px;
  border-radius: var(--corner);
}
.chosen {
  position: sticky;
  bottom: 16px;
  z-index: 2;
}
@media (max-width: 720px) {
  .find {
    grid-template-columns: 1fr 1fr;
  }
  .words {
    grid-column: 1 / -1;
  }
  .chosen {
    bottom: 72px;
  }
}
</style>
