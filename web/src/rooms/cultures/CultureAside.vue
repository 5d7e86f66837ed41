<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { CultureView } from './useCulture'
import FoldedPart from '../../forms/FoldedPart.vue'
import CulturePictures from './CulturePictures.vue'

const props = defineProps<{ culture: CultureView; now: number }>()
const emit = defineEmits<{ take: [Promise<{ data?: { culture: CultureView }; error?: unknown }>] }>()
const t = words.cultures
const { say, mass, when } = useUnits()

const life = computed(() => props.culture.life ?? null)
const cautions = computed(() => props.culture.guide?.cautions ?? props.culture.health?.cautions ?? [])
const sure = computed(() => {
  if (!life.value) return ''
  const { low, high } = life.value.vigour_span
  return `${Math.round(100 * (low ?? 0))}–${Math.round(100 * (high ?? 0))} %`
})
const reasons = computed(() => {
  const why = props.culture.health?.why ?? []
  const says = (holds: (weight: number) => boolean) =>
    why.filter((reason) => holds(reason.weight)).map((reason) => reason.says)
  return { for: says((weight) => weight >= 0), against: says((weight) => weight < 0) }
})
</script>

<template>
  <aside class="aside">
    <section v-if="culture.health">
      <h2>{{ t.verdicts[culture.health.code] }}</h2>
      <p>{{ say(culture.health.do) }}</p>
      <p class="why small">{{ t.because }} {{ say(reasons.for.join(', ')) }}.</p>
      <p v-if="reasons.against.length" class="small quiet">
        {{ t.although }} {{ say(reasons.against.join(', ')) }}.
      </p>
    </section>
    <section v-if="culture.guide">
      <h2>{{ t.doNow }}</h2>
      <p>{{ say(culture.guide.do) }}</p>
    </section>
    <section v-if="life && !culture.guide">
      <h2>{{ t.vigour }}</h2>
      <p>
        <strong class="clock figure">{{ Math.round(100 * life.vigour.likely) }} %</strong> {{ t.ofUsual }}
      </p>
      <p class="small quiet">
        {{ (life.readings ? t.vigourFrom : t.vigourUnread)({ span: sure, count: life.readings }) }}
      </p>
      <p v-if="culture.raises" class="small">{{ say(culture.raises) }}</p>
      <p v-if="life.wake_feeds" class="small">
        {{ t.guideDoublings({ count: culture.doublings }) }}
      </p>
      <p v-if="life.wake_feeds" class="small">
        {{ t.wakes({ count: life.wake_feeds }) }}
      </p>
    </section>
    <section v-if="culture.next_feeds.length">
      <h2>{{ t.nextFeeds }}</h2>
      <ul>
        <li
          v-for="(feed, index) in culture.next_feeds.slice(0, 4)"
          :key="feed"
          :class="{ first: index === 0 }"
        >
          {{ when(feed, now) }}
          <strong v-if="Date.parse(feed) < now"> {{ t.overdue }}</strong>
        </li>
      </ul>
    </section>
    <section v-if="culture.discard.month_g > 0 || culture.discard.now">
      <h2>{{ t.discardTitle }}</h2>
      <p class="small">
        {{ t.discardWords({ week: mass(culture.discard.week_g), month: mass(culture.discard.month_g) }) }}
      </p>
      <FoldedPart v-if="culture.discard.less.length" :title="t.discardLess" class="small">
        <p v-for="way in culture.discard.less" :key="way.code">
          {{ say(way.sentence) }} <strong>{{ t.aWeek({ mass: mass(way.discard_g) }) }}</strong>
        </p>
      </FoldedPart>
    </section>
    <section>
      <CulturePictures :culture="culture" :now="now" @take="emit('take', $event)" />
      <p v-if="culture.culture.note" class="small quiet">{{ culture.culture.note }}</p>
    </section>
    <section v-if="cautions.length" class="mind">
      <h2>{{ words.plan.mind }}</h2>
      <p v-for="caution in cautions" :key="caution.code" class="small">{{ say(caution.text) }}</p>
    </section>
  </aside>
</template>

<style scoped>
.aside {
  display: grid;
  gap: 18px;
  align-content: start;
  padding: 24px 24px 40px 20px;
  border-left: 1px solid var(--hairline);
}
h2 {
  font-size: 1.0625rem;
  margin-bottom: 2px;
}
.figure {
  font-size: 1.875rem;
}
.why {
  margin-top: 6px;
}
.first {
  font-weight: 650;
}
.folded p {
  margin-bottom: 8px;
}
.mind {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
@media (max-width: 1080px) {
  .aside {
    border-left: 0;
    border-top: 1px solid var(--hairline);
    padding: 16px 24px;
  }
}
@media (max-width: 720px) {
  .aside {
    padding: 16px;
  }
}
</style>
