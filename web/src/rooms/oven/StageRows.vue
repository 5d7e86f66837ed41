<script setup lang="ts">
import { computed } from 'vue'
import AmountField from '../../forms/AmountField.vue'
import { limits } from '../../api/limits'
import PickField from '../../forms/PickField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { Baked, Poured, Preheated, Stage } from './useOven'

/** The stages in figures: what dragging does, for fingers and keyboards. */
const props = defineProps<{ bake: Baked; stages: Stage[]; altered: boolean }>()
const emit = defineEmits<{ change: [Stage[]]; heat: [number]; hot: [Preheated]; pour: [Poured]; usual: [] }>()
const t = words.oven
const { toDegrees, fromDegrees, fahrenheit, say, warmth, massUnit, toMass, fromMass } = useUnits()

function set(index: number, part: Partial<Stage>) {
  emit(
    'change',
    props.stages.map((stage, each) => (each === index ? { ...stage, ...part } : stage)),
  )
}
function split() {
  const last = props.stages.at(-1)!
  const half = Math.max(Math.floor(last.minutes / 2), 1)
  emit('change', [
    ...props.stages.slice(0, -1),
    { ...last, minutes: last.minutes - half },
    { ...last, minutes: half, fan: true },
  ])
}
const heats = computed(() =>
  props.bake.may_be_heated.map((value) => ({
    value,
    label: props.bake.lidded || value === 'whole' ? t.hotIs[value]! : t.coldRig,
  })),
)
const title = (stage: Stage, index: number) =>
  stage.covered
    ? props.bake.lidded
      ? t.lidOn
      : t.steaming
    : index && props.stages[index - 1]!.covered
      ? props.bake.lidded
        ? t.lidOff
        : t.vented
      : t.open
</script>

<template>
  <div class="stages">
    <fieldset>
      <legend class="small">{{ t.heating }}</legend>
      <PickField
        v-if="heats.length > 1"
        :model-value="bake.preheated as Preheated"
        :label="t.whatIsHot"
        :options="heats"
        @update:model-value="(value: Preheated) => emit('hot', value)"
      />
      <AmountField
        :model-value="Math.round(bake.preheat_min)"
        :label="`${t.minutes}, ${t.heating.toLowerCase()}`"
        v-bind="limits.PREHEAT_MIN"
        :step="5"
        @update:model-value="(value: number) => emit('heat', value)"
      />
      <p v-if="bake.soak_min" class="small quiet">{{ t.soak({ min: bake.soak_min }) }}</p>
    </fieldset>
    <fieldset v-for="(stage, index) in stages" :key="index">
      <legend class="small">{{ title(stage, index) }}</legend>
      <AmountField
        :model-value="Math.round(stage.minutes)"
        :label="`${t.minutes}, ${title(stage, index).toLowerCase()}`"
        :low="1"
        :high="limits.STAGE_MIN.high"
        :step="1"
        @update:model-value="(value: number) => set(index, { minutes: value })"
      />
      <AmountField
        v-if="stage.setpoint_c > 0 && !bake.by_wood"
        :model-value="Math.round(toDegrees(stage.setpoint_c))"
        :label="`${fahrenheit ? '°F' : '°C'}, ${title(stage, index).toLowerCase()}`"
        :low="fahrenheit ? 212 : 100"
        :high="fahrenheit ? 600 : 320"
        :step="5"
        @update:model-value="(value: number) => set(index, { setpoint_c: fromDegrees(value) })"
      />
      <template v-if="!bake.by_wood">
        <p class="small quiet">
          {{ stage.setpoint_c > 0 ? say(bake.dials[index] ?? '') : t.off }}
        </p>
        <ElCheckbox :model-value="stage.fan" :label="t.fan" @change="set(index, { fan: !stage.fan })" />
        <ElCheckbox
          v-if="!stage.covered || stage.grill"
          :model-value="stage.grill ?? false"
          :label="t.grill"
          @change="set(index, { grill: !stage.grill })"
        />
        <ElCheckbox
          :model-value="stage.setpoint_c <= 0"
          :label="t.off"
          @change="set(index, { setpoint_c: stage.setpoint_c > 0 ? 0 : bake.preheat_c })"
        />
      </template>
    </fieldset>
    <fieldset v-for="steam in bake.poured" :key="steam.kind">
      <legend class="small">{{ steam.name }}</legend>
      <AmountField
        :model-value="Math.round(toMass(steam.g) * 10) / 10"
        :label="`${massUnit}, ${steam.name.toLowerCase()}`"
        :low="0"
        :high="toMass(limits.STEAM_G.high)"
        :step="massUnit === 'g' ? 10 : 0.5"
        @update:model-value="
          (value: number) => emit('pour', { kind: steam.kind, g: fromMass(value), at_min: steam.at_min })
        "
      />
      <AmountField
        :model-value="Math.round(steam.at_min)"
        :label="`${t.steamAt}, ${steam.name.toLowerCase()}`"
        v-bind="limits.STEAM_AT_MIN"
        :step="1"
        @update:model-value="(value: number) => emit('pour', { kind: steam.kind, g: steam.g, at_min: value })"
      />
    </fieldset>
    <div class="more">
      <ElButton class="plain" :disabled="stages.length > 5" @click="split">{{ t.split }}</ElButton>
      <ElButton v-if="altered" class="link" @click="emit('usual')">{{ t.back }}</ElButton>
      <p v-if="altered && bake.done_min != null" class="small quiet">
        {{ t.wouldBeDone({ min: Math.round(bake.done_min), core: warmth(bake.done.core_c) }) }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.stages {
  display: flex;
  flex-wrap: wrap;
  gap: 16px 24px;
  padding-top: 12px;
  border-top: 1px solid var(--hairline);
}
legend {
  font-weight: 650;
}
fieldset {
  display: grid;
  gap: 6px;
  align-content: start;
  width: 172px;
}
fieldset p {
  line-height: 1.3;
}
.more {
  display: grid;
  gap: 8px;
  align-content: start;
  width: 172px;
}
</style>
