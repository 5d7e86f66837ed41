<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** A levain that other saved plans want at about the same time: one build for all of them. */
const props = defineProps<{ shared: Schemas['SharedBuild']; plan: string }>()
const { clock, mass } = useUnits()
const says = computed(() =>
  words.plan.shared({
    others: props.shared.into
      .filter((each) => each.plan_id !== props.plan)
      .map((each) => each.name)
      .join(', '),
    at: clock(props.shared.at),
    seed: mass(props.shared.seed_g),
    flour: mass(props.shared.flour_g),
    water: mass(props.shared.water_g),
  }),
)
</script>

<template>
  <p class="shared">{{ says }}</p>
</template>

<style scoped>
.shared {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
</style>
