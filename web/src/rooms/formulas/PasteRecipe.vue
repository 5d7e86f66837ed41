<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

type Habits = Schemas['HabitsBody']
const emit = defineEmits<{ take: [Schemas['FormulaBody']]; close: [] }>()
const t = words.paste
const { massNumber, massUnit } = useUnits()
const KEY = 'gentle-crust.habits'
const DRAFT = 'gentle-crust.paste'

function remembered(): Habits {
  const plain: Habits = { cup_ml: 236.6, flour: 'unknown', salt: 'unknown', liquid_ounces: 'ask' }
  try {
    return { ...plain, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Habits>) }
  } catch {
    return plain
  }
}
const habits = reactive(remembered())
const name = ref('')
const text = ref(localStorage.getItem(DRAFT) ?? '')
const cup = ref(String(habits.cup_ml))
watch(cup, (value) => (habits.cup_ml = Number(value)))
watch([text, habits], () => {
  localStorage.setItem(KEY, JSON.stringify(habits))
  localStorage.setItem(DRAFT, text.value)
})
const asking = useNewest(
  () => (text.value.trim() ? { name: name.value, text: text.value, habits: { ...habits } } : null),
  (body) => ask(api.POST('/api/recipe/read', { body })),
  { wait: 250 },
)
const { answer: reading, pending } = asking
const problem = computed(() => asking.refused.value?.message ?? '')

/** Place of low, likely and high on a bar that ends at the greatest of all lines. */
function bar(g: Schemas['Grams']) {
  const most = Math.max(...(reading.value?.items.map((item) => item.g.high) ?? [1]))
  return {
    left: (g.low / most) * 100,
    width: Math.max(((g.high - g.low) / most) * 100, 0.6),
    tick: (g.likely / most) * 100,
  }
}
async function take() {
  const found = await asking.current()
  if (!found?.formula) return
  localStorage.removeItem(DRAFT)
  emit('take', found.formula.formula as Schemas['FormulaBody'])
}
</script>

<template>
  <div class="paste">
    <div class="write">
      <h2>{{ t.title }}</h2>
      <p class="quiet">{{ t.lead }}</p>
      <label>
        <span class="small quiet">{{ t.name }}</span>
        <ElInput v-model="name" maxlength="80" />
      </label>
      <label>
        <span class="small quiet">{{ t.text }}</span>
        <ElInput type="textarea" v-model="text" rows="10" maxlength="20000" :placeholder="t.example" />
      </label>
      <ChoiceRow
        v-model="cup"
        :legend="t.cup"
        :options="['236.6', '240', '250'].map((ml) => ({ value: ml, label: `${ml} ml` }))"
      />
      <ChoiceRow
        v-model="habits.flour"
        :legend="t.flour"
        :options="[
          { value: 'unknown', label: t.unknown },
          { value: 'spooned', label: t.spooned },
          { value: 'scooped', label: t.scooped },
        ]"
      />
      <ChoiceRow
        v-model="habits.salt"
        :legend="t.salt"
        :options="[
          { value: 'unknown', label: t.unknown },
          { value: 'table', label: t.table },
          { value: 'fine_sea', label: t.fineSea },
          { value: 'flaky', label: t.flaky },
        ]"
      />
      <ChoiceRow
        v-model="habits.liquid_ounces"
        :legend="t.ounces"
        :options="[
          { value: 'ask', label: t.unknown },
          { value: 'weight', label: t.weight },
          { value: 'volume', label: t.volume },
        ]"
      />
    </div>
    <div class="watch" aria-live="polite">
      <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
      <div v-if="reading" class="answered" :class="{ awaited: pending }">
        <dl v-if="reading.percent.hydration" class="percent">
          <div v-for="key in ['hydration', 'salt', 'yeast'] as const" :key="key">
            <dt class="small quiet">{{ t.percents[key] }}</dt>
            <dd class="clock" :data-counts="key === 'hydration' ? 'hydration' : 'overall'">
              {{ reading.percent[key]!.likely.toFixed(key === 'hydration' ? 0 : 1) }} %
              <span class="small quiet range"
                >{{ reading.percent[key]!.low.toFixed(key === 'hydration' ? 0 : 1) }}–{{
                  reading.percent[key]!.high.toFixed(key === 'hydration' ? 0 : 1)
                }}</span
              >
            </dd>
          </div>
        </dl>
        <ul class="warnings">
          <li v-for="warning in reading.warnings" :key="warning.code">{{ warning.text }}</li>
        </ul>
        <ul class="lines">
          <li v-for="(item, index) in reading.items" :key="index">
            <p>
              {{ item.text }} <span class="small quiet">{{ item.ingredient }}; {{ item.why }}</span>
            </p>
            <div class="grams">
              <div class="track" aria-hidden="true">
                <span
                  class="soft"
                  :style="{ left: `${bar(item.g).left}%`, width: `${bar(item.g).width}%` }"
                ></span>
                <span class="firm" :style="{ left: `${bar(item.g).tick}%` }"></span>
              </div>
              <strong>{{ massNumber(item.g.likely) }} {{ massUnit }}</strong>
              <span class="small quiet">{{ massNumber(item.g.low) }}–{{ massNumber(item.g.high) }}</span>
            </div>
          </li>
        </ul>
        <div v-if="reading.unread.length">
          <p class="small quiet">{{ t.unread }}</p>
          <ul>
            <li v-for="(line, index) in reading.unread" :key="index">{{ line }}</li>
          </ul>
        </div>
        <p v-if="reading.why_not" class="inverted error">{{ reading.why_not }}</p>
      </div>
      <p v-else class="quiet">{{ t.nothing }}</p>
      <div class="acts">
        <ElButton class="action" :disabled="!reading?.formula" @click="take">{{ t.take }}</ElButton>
        <ElButton class="link" @click="emit('close')">{{ words.formulas.cancel }}</ElButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.paste {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 16px 40px;
}
.write,
.watch {
  display: grid;
  gap: 16px;
  align-content: start;
}
label {
  display: grid;
}
textarea {
  padding: 10px 12px;
  resize: vertical;
  line-height: 1.4;
}
.percent {
  display: flex;
  flex-wrap: wrap;
  gap: 32px;
}
.percent dd {
  font-size: 1.875rem;
  line-height: 1.1;
}
.range {
  font-family: var(--read);
  font-weight: 400;
}
.warnings li {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
  margin-bottom: 6px;
}
.lines li {
  padding: 8px 0;
  border-bottom: 1px solid var(--hairline);
}
.grams {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 84px 96px;
  gap: 12px;
  align-items: center;
  text-align: right;
}
.track {
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
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
.acts {
  display: flex;
  gap: 16px;
}
@media (max-width: 1000px) {
  .paste {
    grid-template-columns: 1fr;
  }
}
</style>
