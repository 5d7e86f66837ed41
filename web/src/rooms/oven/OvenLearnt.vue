<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { RouterLink } from 'vue-router'
import { api, ask, type Schemas } from '../../api/client'
import { crustColour } from '../../charts/temperature'
import { useActing } from '../../shell/acting'
import { newKey } from '../../shell/keys'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** What finished bakes have taught of the oven in use, on which loaves that rests, and each of them put aside. */
type Line = Schemas['OvenLessonLine']
const emit = defineEmits<{ changed: [] }>()
const t = words.oven
const client = useQueryClient()
const { day, warmth, say } = useUnits()
const learnt = useQuery({ queryKey: ['oven', 'learnt'], queryFn: () => ask(api.GET('/api/oven/learnt')) })
const { problem, act } = useActing()
function shown({ sign, seen, foretold }: Line['told'][number]) {
  if (sign === 'core') return t.learntSigns.core!({ seen: warmth(seen), foretold: warmth(foretold) })
  const [now, then] = [100 * seen, 100 * foretold].map((share) => share.toFixed(1)) as [string, string]
  return t.learntSigns.loss!({ seen: now, foretold: then })
}
const colours = (line: Line) => line.told.filter(({ sign }) => sign === 'colour')
const others = (line: Line) => line.told.filter(({ sign }) => sign !== 'colour')
const setAside = ({ id, aside }: Line) =>
  act(async () => {
    const body = { lesson: id, aside: !aside }
    const found = await ask(
      api.PUT('/api/oven/learnt/{key}/aside', { params: { path: { key: newKey() } }, body }),
    )
    client.setQueryData(['oven', 'learnt'], found)
    emit('changed')
    await client.invalidateQueries({ queryKey: ['plans'] })
  })
</script>

<template>
  <section v-if="learnt.data.value" class="learnt">
    <h2>{{ t.learntTitle }}</h2>
    <p role="status">{{ say(learnt.data.value.said) }}</p>
    <p class="small quiet">{{ t.learntLead }}</p>
    <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
    <ul v-if="learnt.data.value.lessons.length">
      <li v-for="line in learnt.data.value.lessons" :key="line.id" :class="{ aside: !line.counts }">
        <span>
          <RouterLink v-if="line.bake" :to="`/log/${line.bake}`">{{ line.name }}</RouterLink>
          <template v-else>{{ line.name }}</template>
          <span class="small quiet when">{{ day(line.at) }}</span>
        </span>
        <span class="signs">
          <span v-for="each in colours(line)" :key="each.sign" class="chips">
            <svg
              v-for="(colour, place) in [each.foretold, each.seen]"
              :key="place"
              width="30"
              height="22"
              role="img"
              :aria-label="place ? t.seenColour : t.foretoldColour"
            >
              <path
                d="M2 19C2 7 8 2 15 2s13 5 13 17q0 2-3 2H5q-3 0-3-2z"
                :fill="crustColour(colour / 100)"
                stroke="currentColor"
                stroke-width="1.5"
                :stroke-dasharray="place ? undefined : '3 3'"
              />
            </svg>
          </span>
          <span v-for="each in others(line)" :key="each.sign" class="small">{{ shown(each) }}</span>
          <span v-if="!line.counts && !line.aside" class="small quiet">{{ t.older }}</span>
        </span>
        <ElButton class="link no-print" @click="setAside(line)">{{
          line.aside ? t.countAgain : t.putAside
        }}</ElButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.learnt {
  display: grid;
  gap: 8px;
  margin-top: 28px;
}
.learnt p {
  max-width: 68ch;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 14rem) minmax(0, 1fr) auto;
  gap: 4px 16px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.aside > :not(.link) {
  opacity: 0.6;
}
.signs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
.when {
  display: block;
}
.chips {
  display: flex;
  gap: 4px;
}
.error {
  padding: 8px 12px;
}
@media (max-width: 720px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .signs {
    grid-row: 2;
  }
}
</style>
