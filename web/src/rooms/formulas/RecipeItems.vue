<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import MassField from '../../forms/MassField.vue'
import PickField from '../../forms/PickField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { calledStage, type ReadRecipe } from './useRecipe'

/** What goes in, stage by stage, each with how sure its weight is; a tap opens a line to put it right. */
const props = defineProps<{ recipe: ReadRecipe; reading: Schemas['RecipeAnswer'] }>()
const t = words.paste
const { massNumber, massUnit } = useUnits()
type Item = Schemas['ReadItem']
const FINAL = 'final'
const opened = ref<string | null>(null)

const stageNames = computed(
  () => new Map(props.reading.stages.map((stage) => [stage.id, calledStage(stage)])),
)
const nameOf = (stage: string) =>
  stage === FINAL ? t.dough : (stageNames.value.get(stage) ?? stage.charAt(0).toUpperCase() + stage.slice(1))
/** The stages in the order in which they are made, the dough last, then what is not in it. */
const groups = computed(() => {
  const found = new Map<string, Item[]>()
  for (const item of props.reading.items) {
    const key = item.role === 'aside' ? '' : item.stage
    found.set(key, [...(found.get(key) ?? []), item])
  }
  const last = [FINAL, ''].filter((key) => found.has(key))
  return [...[...found.keys()].filter((key) => !last.includes(key)), ...last].map((key) => ({
    key,
    name: key ? nameOf(key) : t.aside,
    items: found.get(key)!,
  }))
})
const places = computed(() =>
  groups.value.filter((group) => group.key).map((group) => ({ value: group.key, label: group.name })),
)
const most = computed(() => Math.max(1, ...props.reading.items.map((item) => item.g.high)))
/** Place of low, likely and high on a bar that ends at the greatest of all lines. */
const bar = (g: Schemas['Grams']) => ({
  left: `${(g.low / most.value) * 100}%`,
  width: `${Math.max(((g.high - g.low) / most.value) * 100, 0.6)}%`,
  tick: `${(g.likely / most.value) * 100}%`,
})
const sure = (g: Schemas['Grams']) => g.high - g.low < 0.005 * g.high
const keyOf = (item: Item) => `${props.reading.items.indexOf(item)}/${item.text}`
</script>

<template>
  <section v-if="reading.items.length" class="goes-in">
    <h3>{{ t.goesIn }}</h3>
    <div v-for="group in groups" :key="group.key" class="stage">
      <h4 v-if="groups.length > 1" class="small">{{ group.name }}</h4>
      <ul>
        <li v-for="item in group.items" :key="keyOf(item)" :class="{ fixed: recipe.itemFix(item.text) }">
          <button
            type="button"
            class="line"
            :aria-expanded="opened === keyOf(item)"
            :aria-label="`${item.text}. ${t.putRight}`"
            :disabled="item.role === 'of_stage'"
            @click="opened = opened === keyOf(item) ? null : keyOf(item)"
          >
            <span class="said">{{ item.text }}</span>
            <span v-if="item.role === 'of_stage'" class="small quiet whole">{{ t.whole }}</span>
            <template v-else>
              <span class="track" aria-hidden="true">
                <span class="soft" :style="{ left: bar(item.g).left, width: bar(item.g).width }"></span>
                <span class="firm" :style="{ left: bar(item.g).tick }"></span>
              </span>
              <strong class="likely">{{ massNumber(item.g.likely) }} {{ massUnit }}</strong>
              <span class="small quiet range">{{
                sure(item.g) ? '' : `${massNumber(item.g.low)}–${massNumber(item.g.high)}`
              }}</span>
            </template>
            <span v-if="item.role !== 'of_stage'" class="small quiet why"
              >{{ item.ingredient }}<template v-if="!sure(item.g)">; {{ item.why }}</template></span
            >
          </button>
          <div v-if="opened === keyOf(item)" class="right">
            <PickField
              v-if="item.role !== 'aside' && places.length > 1"
              :label="t.stage"
              :options="places"
              :model-value="item.stage"
              @update:model-value="(stage) => recipe.putItemRight(item.text, { stage })"
            />
            <MassField
              :label="t.weighs"
              :model-value="item.g.likely"
              @update:model-value="(g) => recipe.putItemRight(item.text, { g })"
            />
            <div class="acts">
              <ElButton class="link" @click="recipe.putItemRight(item.text, { out: true })">{{
                t.leaveOut
              }}</ElButton>
              <ElButton v-if="recipe.itemFix(item.text)" class="link" @click="recipe.forgetItem(item.text)">{{
                t.asRead
              }}</ElButton>
            </div>
          </div>
        </li>
      </ul>
    </div>
    <p v-for="each in recipe.leftOut.value" :key="each.text" class="small">
      {{ t.leftOut }} {{ each.text }}
      <ElButton class="link" @click="recipe.forgetItem(each.text)">{{ t.asRead }}</ElButton>
    </p>
  </section>
</template>

<style scoped>
.goes-in,
.stage {
  display: grid;
  gap: 8px;
}
.stage {
  gap: 0;
}
h4 {
  margin: 8px 0 0;
  font-weight: 600;
}
h4::first-letter {
  text-transform: uppercase;
}
li {
  border-bottom: 1px solid var(--hairline);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 96px 76px 88px;
  grid-template-areas: 'said track likely range' 'why track likely range';
  gap: 0 12px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 6px 0;
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.line:disabled {
  cursor: default;
}
.said {
  grid-area: said;
}
.why {
  grid-area: why;
}
.whole {
  grid-column: 2 / -1;
  text-align: right;
}
.likely {
  grid-area: likely;
  text-align: right;
  white-space: nowrap;
}
.range {
  grid-area: range;
  text-align: right;
  white-space: nowrap;
}
.track {
  grid-area: track;
  position: relative;
  height: 14px;
  border-bottom: 1px solid var(--hairline);
}
.soft {
  position: absolute;
  top: 4px;
  height: 6px;
  border-radius: 3px;
  background: var(--quiet);
  opacity: 0.4;
}
.firm {
  position: absolute;
  top: 0;
  width: 2.5px;
  height: 14px;
  background: var(--ink);
}
.fixed .said {
  font-weight: 600;
}
.right {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 16px;
  align-items: end;
  padding: 4px 0 14px 12px;
  border-left: 2px solid var(--ink);
}
.acts {
  grid-column: 1 / -1;
  display: flex;
  gap: 16px;
}
@media (max-width: 600px) {
  .line {
    grid-template-columns: minmax(0, 1fr) auto;
    grid-template-areas: 'said likely' 'why range';
  }
  .track {
    display: none;
  }
}
</style>
