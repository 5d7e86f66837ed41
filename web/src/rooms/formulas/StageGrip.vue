<script setup lang="ts">
import { ref } from 'vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { MOST_MIN, nextStep, SHORTEST_MIN, stepped } from './stageLength'

/** The end of a stage that waits: drawn along, or moved with the arrows, the stage takes longer or shorter. */
const props = defineProps<{
  minutes: number
  name: string
}>()
const emit = defineEmits<{ change: [minutes: number, by: number]; end: [] }>()
const { span } = useUnits()
const began = ref<{ x: number; minutes: number } | null>(null)
/** A stage is twice as long when its end was drawn so far, px. */
const DOUBLES = 100

function down(event: PointerEvent) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  began.value = { x: event.clientX, minutes: props.minutes }
}
function move(event: PointerEvent) {
  if (!began.value) return
  const by = event.clientX - began.value.x
  emit('change', stepped(began.value.minutes * 2 ** (by / DOUBLES)), by)
}
function up() {
  if (!began.value) return
  began.value = null
  emit('end')
}
function key(way: 1 | -1) {
  emit('change', nextStep(Math.round(props.minutes), way), 0)
}
</script>

<template>
  <span
    class="grip"
    role="slider"
    tabindex="0"
    :aria-label="words.method.lengthOf({ stage: name })"
    :aria-valuenow="Math.round(minutes)"
    :aria-valuemin="SHORTEST_MIN"
    :aria-valuemax="MOST_MIN"
    :aria-valuetext="span(minutes)"
    @pointerdown.prevent="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="up"
    @keydown.right.prevent="key(1)"
    @keydown.up.prevent="key(1)"
    @keydown.left.prevent="key(-1)"
    @keydown.down.prevent="key(-1)"
  />
</template>

<style scoped>
.grip {
  position: absolute;
  z-index: 1;
  top: 0;
  right: -12px;
  width: 24px;
  height: var(--grip-high);
  cursor: ew-resize;
  touch-action: none;
}
.grip::after {
  position: absolute;
  top: 50%;
  left: 9px;
  width: 5px;
  height: 28px;
  margin-top: -14px;
  border: 1.5px solid var(--ink);
  border-radius: 3px;
  background: var(--paper);
  content: '';
}
.grip:hover::after,
.grip:focus-visible::after {
  background: var(--ink);
}
</style>
