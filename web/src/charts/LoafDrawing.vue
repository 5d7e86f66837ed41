<script setup lang="ts">
import { computed } from 'vue'
import { BLOWN, BOTTOMS, HOLES_AT, OPENNESS, OUTLINES, SCORES, TUNNELS } from './loafShapes'

/** One look of a loaf, or of its slice: one weight of ink, one flat tint. */
const props = defineProps<{ what: string; of: string }>()
const slice = computed(() => ['openness', 'holes', 'walls', 'bite'].includes(props.what))
const outline = computed(() => OUTLINES[props.what === 'form' ? props.of : 'domed']!)
const holes = computed(() =>
  props.what === 'openness' ? OPENNESS[props.of] : props.what === 'holes' ? HOLES_AT[props.of] : [],
)
/** A piece of crust from the side: how thick it is, and what it does. */
const CRUST: Record<string, number> = { crackling: 4, thin: 3, thick: 10, leathery: 6 }
const WALLS: Record<string, number> = { thin: 1, thick: 3.6 }
</script>

<template>
  <svg width="64" height="46" viewBox="0 0 64 46" aria-hidden="true">
    <template v-if="what === 'crust'">
      <rect class="crumb" x="6" :y="12 + CRUST[of]!" width="52" height="22" />
      <path
        v-if="of === 'leathery'"
        class="baked"
        d="M6 12Q14 7 22 12T38 12T54 12L58 12V18Q50 23 42 18T26 18T10 18L6 18Z"
      />
      <rect v-else class="baked" x="6" y="12" width="52" :height="CRUST[of]" />
      <path v-if="of === 'crackling'" class="ink" d="M14 8L12 3M26 8L27 2M38 8L37 2M50 8L52 3" />
    </template>
    <template v-else-if="what === 'walls'">
      <path class="crumb" d="M6 6H58V40H6Z" />
      <path
        class="ink"
        :stroke-width="WALLS[of]"
        d="M6 18Q18 22 22 12Q26 4 34 6M22 12Q30 22 26 32Q24 40 30 40M26 26Q40 28 44 18Q46 8 58 10M44 18Q54 26 50 40"
      />
    </template>
    <template v-else>
      <path :class="slice ? 'crumb' : 'loaf'" :d="outline" />
      <path class="ink" :class="{ rind: slice }" :d="outline" />
      <circle v-for="([x, y, r], index) in holes" :key="index" class="hole" :cx="x" :cy="y" :r="r" />
      <template v-if="what === 'holes' && of === 'tunnels'">
        <path v-for="d in TUNNELS" :key="d" class="tunnel" :d="d" />
      </template>
      <path
        v-if="what === 'holes' && of === 'dense_base'"
        class="dense"
        d="M7 37.5Q5 35 6 32H58Q59 35 57 37.5Z"
      />
      <template v-if="what === 'scores'">
        <path v-for="d in SCORES[of]" :key="d" class="score" :d="d" />
      </template>
      <path v-if="what === 'blow_out' && BLOWN[of]" class="blown" :d="BLOWN[of]" />
      <path v-if="what === 'bottom'" class="score bare" :d="BOTTOMS[of]" />
      <path v-if="of === 'gummy'" class="ink" d="M14 28Q20 22 26 28T38 28T50 28M18 34Q24 29 30 34T42 34" />
      <path v-if="of === 'moist'" class="ink" d="M32 16Q25 25 32 30Q39 25 32 16Z" />
      <path
        v-if="of === 'dry'"
        class="ink"
        d="M16 24l3 3M26 18l2 4M36 24l4 1M45 20l2 4M22 32l4-1M40 32l2-4M30 28l1 4"
      />
    </template>
  </svg>
</template>

<style scoped>
svg {
  display: block;
}
.ink,
.score,
.blown {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.rind {
  stroke-width: 2.6;
}
.loaf,
.baked {
  fill: #c68a45;
}
.crumb {
  fill: #f0dfb6;
}
.hole {
  fill: #a8895a;
}
.tunnel {
  fill: none;
  stroke: #a8895a;
  stroke-width: 4;
  stroke-linecap: round;
}
.dense {
  fill: #cfae74;
}
.score {
  fill: #f4e7c9;
}
.score.bare {
  fill: none;
  stroke-width: 3;
}
.blown {
  fill: #f4e7c9;
}
</style>
