<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { useQueryClient } from '@tanstack/vue-query'
import { api, ask, type Schemas } from '../../api/client'
import CultureJar from '../../charts/CultureJar.vue'
import CultureRibbon from '../../charts/CultureRibbon.vue'
import { useMedia } from '../../charts/useSize'
import { useFlours } from '../../shell/flours'
import { useNow } from '../../shell/kitchen'
import { daysBetween } from '../../shell/days'
import { useAbout } from '../../shell/title'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import AwayDesk from './AwayDesk.vue'
import CompareDesk from './CompareDesk.vue'
import CultureAside from './CultureAside.vue'
import CultureForm from './CultureForm.vue'
import FeedDesk from './FeedDesk.vue'
import GuideDays from './GuideDays.vue'
import HistoryLine from './HistoryLine.vue'
import LookDesk from './LookDesk.vue'
import TakeDesk from './TakeDesk.vue'
import { stateOf } from './stateOf'
import { useCulture } from './useCulture'
import InTurn from '../../shell/InTurn.vue'

const props = defineProps<{ id: string; others: Schemas['CultureLine'][] }>()
const t = words.cultures
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const now = useNow()
const units = useUnits()
const { dayKey } = units
const { mixed: floursOf } = useFlours()
const { mass, massNumber, when } = units
const phone = useMedia('(max-width: 720px)')
const key = computed(() => props.id)
const { query, culture, problem, last, log, take, takeBack, bringIn } = useCulture(key)
useAbout(() => culture.value?.culture.name)
const desk = computed(() => (typeof route.query.do === 'string' ? route.query.do : ''))
const place = ref<HTMLElement | null>(null)
const go = (what: string) => router.push({ path: `/cultures/${props.id}`, query: what ? { do: what } : {} })
watch(desk, async (what) => {
  problem.value = ''
  if (!what) return
  await nextTick()
  place.value?.querySelector<HTMLElement>('h2')?.focus()
  place.value?.scrollIntoView?.({ block: phone.value ? 'start' : 'nearest' })
})

const life = computed(() => culture.value?.life ?? null)
const looks = computed(() => {
  if (!culture.value || !life.value) return []
  const { fed_at, start_mm, points } = life.value
  const from = points[0]!.at > fed_at ? points[0]!.at : fed_at
  return culture.value.events
    .filter((each) => each.event.kind === 'seen' && each.event.height_mm && each.at >= from)
    .map((each) => ({ at: each.at, rise: each.event.height_mm! / start_mm - 1 }))
})
const moves = computed(() => {
  if (!culture.value || !life.value) return []
  const { fed_at, points } = life.value
  const from = points[0]!.at > fed_at ? points[0]!.at : fed_at
  return culture.value.events
    .filter((each) => each.event.kind === 'moved' && each.at >= from)
    .map((each) => ({ at: each.at, place: each.event.place ?? 'counter' }))
})
const fedWords = computed(() => {
  if (!life.value) return ''
  const { seed_g, flour_g, water_g } = life.value.fed
  const parts = [seed_g, flour_g, water_g].map(massNumber).join(' : ')
  return `${t.fedAt} ${when(life.value.fed_at, now.value)}, ${parts}`
})
/** How long it has been cold, once that is days. */
const cold = computed(() => {
  const last = culture.value?.events.find((each) => each.event.kind === 'moved')
  if (life.value?.place !== 'fridge' || !last) return ''
  const days = daysBetween(dayKey(last.at), dayKey(now.value))
  return days > 1 ? t.forDaysCold({ days }) : ''
})
const other = computed(() => (life.value?.place === 'fridge' ? 'counter' : 'fridge'))
const logged = computed(() => (last.value ? (t.logged[last.value.kind] ?? t.loggedIt) : ''))
async function did(body: Parameters<typeof log>[0]) {
  if (await log(body)) await go('')
}
async function putAway() {
  await ask(api.DELETE('/api/cultures/{key}', { params: { path: { key: props.id } } }))
  await client.invalidateQueries({ queryKey: ['cultures'] })
  await router.push('/cultures')
}
async function saved() {
  await client.invalidateQueries({ queryKey: ['culture', props.id] })
  await client.invalidateQueries({ queryKey: ['cultures'] })
  await go('')
}
</script>

<template>
  <div class="page">
    <div class="middle">
      <p v-if="query.isPending.value" class="quiet">{{ words.loading }}</p>
      <p v-else-if="query.isError.value" role="alert">{{ t.notHere }}</p>
      <template v-if="culture">
        <header :class="{ brief: desk }">
          <p class="who">
            <strong>{{ culture.culture.name }}</strong>
            <span class="quiet">
              {{ floursOf(culture.culture) }}, {{ culture.culture.hydration_percent }} %
              {{ t.water }}
            </span>
          </p>
          <p class="state">{{ stateOf(culture, units, now) }}</p>
          <p v-if="life" class="quiet">
            {{ mass(life.grams) }} {{ t.onThe[life.place] }}{{ cold }}. {{ fedWords }}.
            <template v-if="!culture.guide">{{ life.vigour_words }}</template>
          </p>
          <p v-else>{{ t.feedFirst }}</p>
        </header>
        <p v-if="culture.put_away" class="inverted error">{{ t.isAway }}</p>
        <div v-if="!desk" class="acts">
          <ElButton class="action" @click="go('feed')">{{ t.feed }}</ElButton>
          <ElButton class="plain" @click="go('look')">{{ t.look }}</ElButton>
          <ElButton class="plain" :disabled="!life" @click="log({ kind: 'moved', place: other })">
            {{ t.move[other] }}
          </ElButton>
          <ElButton class="plain" :disabled="!life" @click="go('take')">{{ t.takeSome }}</ElButton>
        </div>
        <p v-if="last" class="undo" role="status">
          {{ logged }}
          <ElButton class="link" @click="takeBack(last.event)">{{ t.takeBack }}</ElButton>
        </p>
        <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
        <div ref="place">
          <FeedDesk
            v-if="desk === 'feed'"
            :culture="culture"
            :now="now"
            :problem="problem"
            @log="did"
            @close="go('')"
          />
          <LookDesk v-else-if="desk === 'look'" :culture="culture" :now="now" @log="did" @close="go('')" />
          <TakeDesk v-else-if="desk === 'take'" :culture="culture" @log="did" @close="go('')" />
          <AwayDesk v-else-if="desk === 'away'" :id="id" :now="now" @close="go('')" />
          <CompareDesk v-else-if="desk === 'compare'" :culture="culture" :others="others" @close="go('')" />
          <CultureForm
            v-else-if="desk === 'edit'"
            :id="id"
            :culture="culture.culture"
            @saved="saved"
            @cancel="go('')"
          />
        </div>
        <InTurn v-if="life && desk !== 'edit'">
          <div class="alive" :class="{ young: culture.guide }">
            <CultureJar
              :jar="culture.culture.jar"
              :life="life"
              :high="phone ? 150 : 216"
              :guess="!culture.guide"
            />
            <CultureRibbon v-if="!culture.guide" :life="life" :now="now" :looks="looks" :moves="moves" />
            <GuideDays v-else :guide="culture.guide" :next="culture.guide_next ?? null" />
          </div>
        </InTurn>
        <InTurn>
          <HistoryLine :culture="culture" @back="takeBack" @again="bringIn" />
        </InTurn>
        <InTurn>
          <nav class="files small" :aria-label="t.files">
            <a class="link" :href="`/api/cultures/${id}/history.csv`" download>{{ t.takeOutCsv }}</a>
            <a class="link" :href="`/api/cultures/${id}/history.json`" download>{{ t.takeOutJson }}</a>
            <a class="link" :href="`/api/cultures/${id}/calendar.ics`">{{ t.calendar }}</a>
            <RouterLink class="link" :to="`/cultures/${id}?do=away`">{{ t.awayTitle }}</RouterLink>
            <RouterLink v-if="others.length > 1" class="link" :to="`/cultures/${id}?do=compare`">
              {{ t.compare }}
            </RouterLink>
            <RouterLink class="link" :to="`/cultures/${id}?do=edit`">{{ t.edit }}</RouterLink>
            <ElButton class="link" @click="putAway">
              {{ t.putAway({ name: culture.culture.name }) }}
            </ElButton>
          </nav>
        </InTurn>
      </template>
    </div>
    <InTurn v-if="culture">
      <CultureAside :culture="culture" :now="now" @take="take" />
    </InTurn>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 272px;
}
.middle {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  align-content: start;
  min-width: 0;
  padding: 20px 28px 40px 24px;
}
.who {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
.state {
  font: 700 2.75rem/1.1 var(--show);
  letter-spacing: -0.025em;
  margin: 2px 0 6px;
}
.brief .state {
  font-size: 1.375rem;
  margin: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.acts .plain {
  min-height: 48px;
}
.undo {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
.alive {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 24px;
  align-items: end;
}
.alive :deep(.jar) {
  margin-bottom: 50px;
}
.alive.young {
  align-items: start;
}
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  padding-top: 8px;
  border-top: 1px solid var(--hairline);
}
.files .link {
  display: inline-flex;
  align-items: center;
}
@media (max-width: 1080px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 720px) {
  .middle {
    padding: 14px 16px;
  }
  .state {
    font-size: 2.25rem;
  }
  .acts {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  .alive {
    grid-template-columns: minmax(0, 1fr);
  }
  .alive :deep(.jar) {
    margin-bottom: 0;
  }
}
</style>
