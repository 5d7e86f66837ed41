<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import RemoveButton from '../../forms/RemoveButton.vue'
import { useFlours } from '../../shell/flours'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { CultureView } from './useCulture'
import FoldedPart from '../../forms/FoldedPart.vue'

/** What happened to a culture, the newest first; anything can be taken back, and brought in again for thirty days. */
const props = defineProps<{ culture: CultureView }>()
const emit = defineEmits<{ back: [string]; again: [string] }>()
const t = words.cultures
const { dayKey, day, clock, massNumber, mass, warmth, dayClock } = useUnits()
const { mixed } = useFlours()
const FEW = 7
const all = ref(false)
const shown = computed(() => (all.value ? props.culture.events : props.culture.events.slice(0, FEW)))
const days = computed(() => {
  const found: { day: string; events: typeof shown.value }[] = []
  for (const each of shown.value) {
    const last = found.at(-1)
    if (last && dayKey(last.events[0]!.at) === dayKey(each.at)) last.events.push(each)
    else found.push({ day: day(each.at), events: [each] })
  }
  return found
})
type Mix = { flour_kind: string; also_flours: Schemas['FlourPart'][] }
function says({ event }: Schemas['Logged']): string {
  if (event.kind === 'fed' || event.kind === 'begun' || event.kind === 'woken') {
    const parts = [event.seed_g, event.flour_g, event.water_g].filter((g) => g > 0).map(massNumber)
    const warm = event.culture_c == null ? '' : `, ${warmth(event.culture_c)}`
    const flour = event.flour_kind ? `, ${mixed(event as Mix)}` : ''
    return `${t.did[event.kind]} ${parts.join(' : ')}${flour}${warm}`
  }
  if (event.kind === 'moved') return t.movedTo[event.place ?? 'counter'] ?? ''
  if (event.kind === 'taken' || event.kind === 'dried') return `${t.did[event.kind]} ${mass(event.g ?? 0)}`
  if (event.kind === 'weighed') return `${t.did.weighed} ${mass(event.g ?? 0)}`
  const cues = (['surface', 'floated', 'smell', 'liquid', 'growth'] as const)
    .map((cue) => (event[cue] ? (t.cues[cue] as Record<string, string>)[event[cue]] : null))
    .filter((word): word is string => Boolean(word))
  if (event.smell_words) cues.push(`“${event.smell_words}”`)
  if (event.culture_c != null) cues.unshift(warmth(event.culture_c))
  if (event.height_mm != null) cues.unshift(`${event.height_mm} mm`)
  return cues.join(', ')
}
</script>

<template>
  <section class="history" :aria-label="t.history">
    <h2>{{ t.history }}</h2>
    <p v-if="!culture.events.length" class="quiet">{{ t.nothingYet }}</p>
    <div v-for="each in days" :key="each.day" class="day">
      <h3 class="small">{{ each.day }}</h3>
      <ul>
        <li v-for="logged in each.events" :key="logged.event.id">
          <span class="clock">{{ clock(logged.at) }}</span>
          <span>
            {{ says(logged) }} <span v-if="logged.event.note" class="quiet">{{ logged.event.note }}</span>
          </span>
          <RemoveButton :of="`${clock(logged.at)} ${says(logged)}`" @remove="emit('back', logged.event.id)" />
        </li>
      </ul>
    </div>
    <ElButton v-if="!all && culture.events.length > FEW" class="link" @click="all = true">
      {{ t.showMore({ count: culture.events.length - FEW }) }}
    </ElButton>
    <p v-if="all && culture.events_in_all > culture.events.length" class="small quiet">
      {{ t.olderInFile({ count: culture.events_in_all - culture.events.length }) }}
    </p>
    <FoldedPart
      v-if="culture.withdrawn.length"
      :title="t.withdrawn({ count: culture.withdrawn.length })"
      class="small"
    >
      <p v-for="each in culture.withdrawn" :key="each.logged.event.id">
        {{ dayClock(each.logged.at) }} {{ says(each.logged) }}, {{ t.until }} {{ dayClock(each.until) }}
        <ElButton class="link" @click="emit('again', each.logged.event.id)">
          {{ words.undo }}
        </ElButton>
      </p>
    </FoldedPart>
  </section>
</template>

<style scoped>
.history {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.day {
  display: grid;
  grid-template-columns: 192px minmax(0, 1fr);
  width: 100%;
  border-top: 1px solid var(--hairline);
}
h3 {
  padding-top: 11px;
  font-weight: 600;
}
li {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
summary {
  display: flex;
  align-items: center;
  min-height: 44px;
  text-decoration: underline;
  cursor: pointer;
}
@media (max-width: 720px) {
  .day {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
