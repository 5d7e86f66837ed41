<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import BakeStrip from '../../charts/BakeStrip.vue'
import LoafMark from '../../charts/LoafMark.vue'
import { useWidth } from '../../charts/useSize'

/** A bake's whole way beside its loaf, as wide as there is room. */
const props = defineProps<{ drawn: Schemas['Drawn']; loaf?: Schemas['LoafLine'] | null }>()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 900)
const mark = computed(() => (width.value > 640 ? 92 : 56))
const hour = computed(() => {
  const hours = (Date.parse(props.drawn.end) - Date.parse(props.drawn.start)) / 3_600_000
  return Math.max(width.value - (props.loaf ? 2 * mark.value + 24 : 4), 100) / Math.max(hours, 1)
})
</script>

<template>
  <div ref="host" class="way">
    <BakeStrip :drawn="drawn" :hour="hour" :high="72" />
    <LoafMark v-if="loaf" :loaf="loaf" :width="mark" />
  </div>
</template>

<style scoped>
.way {
  display: flex;
  gap: 14px;
  align-items: end;
  overflow: hidden;
}
</style>
