<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import type { Schemas } from '../api/client'
import { words } from '../words'
import BakeStrip from './BakeStrip.vue'
import { useWidth } from './useSize'

/** Bakes under one another on one clock that begins with their mixing; what lasted otherwise is marked. */
const props = defineProps<{
  sides: Schemas['SideShown'][]
  names: string[]
  say: (minutes: number) => string
}>()
const t = words.log
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 860)
const HOUR = 3_600_000
const HIGH = 58
const before = computed(() =>
  Math.max(
    0,
    ...props.sides.map(({ drawn, mixed }) =>
      drawn && mixed ? (Date.parse(mixed) - Date.parse(drawn.start)) / HOUR : 0,
    ),
  ),
)
/** Hours before mixing that are drawn: a levain's night says little, and takes much room. */
const LEAST_BEFORE = 6
const shownBefore = computed(() => Math.min(before.value, LEAST_BEFORE))
const after = computed(() =>
  Math.max(
    4,
    ...props.sides.map(({ drawn, mixed }) =>
      drawn && mixed ? (Date.parse(drawn.end) - Date.parse(mixed)) / HOUR : 0,
    ),
  ),
)
const hour = computed(() => width.value / (shownBefore.value + after.value))
const x = (hours: number) => (shownBefore.value + hours) * hour.value
/** Px by which a strip lies to the right; its part before what is shown is cut off. */
const shift = (side: Schemas['SideShown']) =>
  side.drawn && side.mixed ? x((Date.parse(side.drawn.start) - Date.parse(side.mixed)) / HOUR) : 0
const ticks = computed(() =>
  scaleLinear([-shownBefore.value, after.value], [0, width.value])
    .ticks(Math.max(Math.round(width.value / 110), 3))
    .filter((at) => Number.isInteger(at)),
)
</script>

<template>
  <div ref="host" class="clock">
    <div v-for="(side, index) in sides" :key="`${side.key}${side.part}`" class="side">
      <p class="name">
        <strong>{{ names[index] }}</strong>
      </p>
      <div class="strip" :style="{ height: `${HIGH + 4}px` }">
        <div v-if="side.drawn" :style="{ marginLeft: `${shift(side)}px` }">
          <BakeStrip :drawn="side.drawn" :hour="hour" :high="HIGH" />
        </div>
        <span class="mix" :style="{ left: `${x(0)}px` }" />
      </div>
      <ul class="spans" :aria-label="names[index]">
        <li
          v-for="span in side.spans"
          :key="span.code"
          :class="{ differs: span.differs }"
          :style="{
            left: `${x(span.from_min / 60)}px`,
            width: `${Math.max(((span.to_min - span.from_min) / 60) * hour - 2, 4)}px`,
          }"
        >
          <span class="small">{{
            (span.differs ? t.spanDiffers : t.spanLine)({
              what: t.spans[span.code]!,
              span: say(span.to_min - span.from_min),
            })
          }}</span>
        </li>
      </ul>
    </div>
    <svg :width="width" height="22" aria-hidden="true">
      <g v-for="at in ticks" :key="at" :transform="`translate(${x(at)} 0)`">
        <line y2="6" />
        <text y="18">{{ at === 0 ? t.mixed : `${at > 0 ? '+' : '−'}${Math.abs(at)} h` }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.clock {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
.strip {
  position: relative;
  overflow: hidden;
}
.mix {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px dashed var(--ink);
}
.spans {
  position: relative;
  height: 40px;
}
.spans li {
  position: absolute;
  top: 4px;
  border-top: 2px solid var(--hairline);
  line-height: 1.2;
}
.spans li.differs {
  border-top: 4px solid var(--ink);
  font-weight: 650;
}
.spans span {
  display: block;
  padding-top: 2px;
  min-width: 74px;
}
/* The bake is short: what is said of it ends where it ends. */
.spans li:last-child span {
  position: absolute;
  right: 0;
  width: max-content;
  max-width: 130px;
  text-align: right;
}
/* On a phone there is no room under a short stretch: they are told one after the other. */
@media (max-width: 720px) {
  .spans {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    height: auto;
  }
  .spans li,
  .spans li:last-child span {
    position: static;
    width: auto !important;
    max-width: none;
    text-align: left;
  }
  .spans li,
  .spans li.differs {
    border-top-width: 0;
  }
  .spans li.differs span {
    text-decoration: underline;
    text-decoration-thickness: 2px;
    text-underline-offset: 4px;
  }
}
.name strong {
  font: 650 1.125rem/1.25 var(--show);
}
svg {
  display: block;
  overflow: visible;
}
line {
  stroke: var(--ink);
}
text {
  font-size: 13px;
  text-anchor: middle;
  fill: var(--quiet);
}
</style>
