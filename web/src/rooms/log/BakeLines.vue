<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '../../api/client'
import BakeStrip from '../../charts/BakeStrip.vue'
import LoafMark from '../../charts/LoafMark.vue'
import { useWidth } from '../../charts/useSize'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** Bakes as small ribbons that end in their loaf, on one scale; with ``chosen``, each can be set beside others. */
const props = defineProps<{ lines: Schemas['BakeLine'][]; short?: boolean }>()
const chosen = defineModel<string[]>('chosen')
const t = words.bakes
const { day, clock } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 860)
const HIGH = 44
const MARK = 60
const HOUR = 3_600_000
/** Bakes share a scale, so that a night in the fridge is seen; the longest has the whole width beside its loaf. */
const hour = computed(() => {
  const lengths = props.lines.map(({ drawn }) =>
    drawn ? (Date.parse(drawn.end) - Date.parse(drawn.start)) / HOUR : 0,
  )
  const beside = (props.short ? 150 : 250) + (chosen.value ? 44 : 0) + 24
  const room = width.value - (width.value > 640 ? beside : chosen.value ? 44 : 0) - 2 * MARK - 16
  return Math.max(room, 120) / Math.max(...lengths, 12)
})
const whenOf = (line: Schemas['BakeLine']) => {
  const at = line.out ?? line.started
  return (line.out ? t.out : t.began)({ when: clock(at) })
}
function besides(line: Schemas['BakeLine']): string {
  const found = [t.line({ pieces: line.pieces })]
  if (line.state !== 'baked') found.push(t.states[line.state]!)
  if (line.how) found.push(t.proof({ how: words.bench.outcomes[line.how] ?? line.how }))
  if (line.loaf?.liked) found.push(words.loaf.liking({ of: line.loaf.liked }))
  if (line.loaf?.holes != null)
    found.push(words.slice.measured({ percent: Math.round(100 * line.loaf.holes) }))
  found.push(...line.faults)
  if (line.notes) found.push(t.notes({ count: line.notes }))
  if (line.photos) found.push(t.photos({ count: line.photos }))
  if (line.afterwards) found.push(words.log.guessed)
  return found.join(' · ')
}
function choose(id: string, on: boolean) {
  const rest = (chosen.value ?? []).filter((each) => each !== id)
  chosen.value = on ? [...rest, id] : rest
}
</script>

<template>
  <ol ref="host" class="lines" :class="{ short }">
    <li v-for="line in lines" :key="line.id" :class="{ choosing: chosen }">
      <ElCheckbox
        v-if="chosen"
        class="no-print"
        :model-value="chosen.includes(line.id)"
        :disabled="line.state === 'on_bench' || line.state === 'stopped'"
        :aria-label="words.log.choose({ name: line.name, when: day(line.out ?? line.started) })"
        @update:model-value="(on: unknown) => choose(line.id, Boolean(on))"
      />
      <RouterLink :to="line.state === 'on_bench' ? `/bench/${line.id}` : `/log/${line.id}`">
        <span class="date">
          <span class="day">{{ day(line.out ?? line.started) }}</span>
          <span class="small quiet">{{ whenOf(line) }}</span>
        </span>
        <span class="what">
          <strong v-if="!short">{{ line.name }}</strong>
          <span class="small quiet">{{ besides(line) }}</span>
          <span v-if="line.drawn" class="drawn">
            <BakeStrip :drawn="line.drawn" :hour="hour" :high="HIGH" />
            <LoafMark v-if="line.loaf" :loaf="line.loaf" :width="MARK" />
          </span>
        </span>
      </RouterLink>
    </li>
  </ol>
</template>

<style scoped>
.lines {
  border-top: 1.5px solid var(--ink);
}
li {
  border-bottom: 1px solid var(--hairline);
}
li.choosing {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr);
}
li :deep(.el-checkbox) {
  min-height: 44px;
  min-width: 44px;
  margin: 8px 0 0;
  align-self: start;
}
a {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 4px 24px;
  align-items: baseline;
  padding: 14px 0;
  text-decoration: none;
}
.short a {
  grid-template-columns: 150px minmax(0, 1fr);
  padding: 10px 0;
}
a:hover strong,
.short a:hover .day {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.date,
.what {
  display: grid;
  line-height: 1.3;
}
.drawn {
  display: flex;
  gap: 10px;
  align-items: end;
  margin-top: 8px;
}
.day {
  font: 620 1.0625rem/1.3 var(--show);
}
strong {
  font: 650 1.25rem/1.25 var(--show);
  letter-spacing: -0.01em;
}
@media (max-width: 720px) {
  a,
  .short a {
    grid-template-columns: minmax(0, 1fr);
  }
  .date {
    display: flex;
    gap: 10px;
    align-items: baseline;
  }
}
</style>
