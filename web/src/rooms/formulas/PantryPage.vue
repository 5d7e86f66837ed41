<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, defineAsyncComponent } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import { useKept } from '../../shell/kept'
import { newKey } from '../../shell/keys'
import { words } from '../../words'
import MaybeField from '../../forms/MaybeField.vue'

const DateField = defineAsyncComponent(() => import('../../forms/DateField.vue'))

const ConflictDialog = defineAsyncComponent(() => import('../../forms/ConflictDialog.vue'))

type Pantry = Schemas['PantryBody']
type Mine = NonNullable<Pantry['flours']>[number]
const t = words.pantry
const client = useQueryClient()
const query = useQuery({ queryKey: ['pantry'], queryFn: () => ask(api.GET('/api/pantry')), staleTime: 0 })
type Form = { flours: Mine[]; prices: NonNullable<Pantry['prices']> }
const { form, saving, saved, errors, clash, save, settle, undo, canUndo } = useKept(
  query.data,
  (found) => found.pantry as Form,
  (body, headers) => ask(api.PUT('/api/pantry', { body, headers })),
  () => ask(api.POST('/api/pantry/undo')),
  (found) => {
    client.setQueryData(['pantry'], found)
    void client.invalidateQueries({ queryKey: ['formulas'] })
  },
)
const usual = computed(() => query.data.value?.usual ?? [])
const kinds = computed(() => usual.value.map((each) => ({ value: each.kind, label: each.name })))
const usualOf = (kind: string) => usual.value.find((each) => each.kind === kind)
const unpriced = computed(() => {
  const own = form.value?.flours.map((each) => each.name) ?? []
  const priced = form.value?.prices.map((each) => each.name) ?? []
  return (query.data.value?.bought ?? []).filter(({ key }) => !own.includes(key) && !priced.includes(key))
})
const called = computed(() => {
  const { bought = [], priced = [] } = query.data.value ?? {}
  return new Map([...bought, ...priced].map(({ key, name }) => [key, name]))
})
const nameOf = (key: string) => called.value.get(key) ?? key

function addFlour() {
  form.value?.flours.push({ id: newKey(), name: t.newFlour, kind: 'strong_white', lots: [] } as Mine)
}
function addLot(mine: Mine) {
  mine.lots.unshift({ mill: '', bag: '', date: '', note: '', price_per_kg: null })
}
</script>

<template>
  <div>
    <ConflictDialog
      v-if="clash"
      :changed="clash"
      :what="t.thePantry"
      @settle="settle"
      @close="clash = null"
    />
    <form class="pantry" novalidate @submit.prevent="save()">
      <h2>{{ t.title }}</h2>
      <p class="quiet">{{ t.lead }}</p>
      <p v-if="query.isError.value" role="alert">{{ words.failed }}</p>
      <p v-if="!form" class="quiet">{{ words.loading }}</p>
      <template v-else>
        <p v-if="!form.flours.length" class="quiet">{{ t.none }}</p>
        <section v-for="(mine, index) in form.flours" :key="mine.id" class="flour">
          <div class="row">
            <label class="name"
              ><span class="small quiet">{{ t.name }}</span> <ElInput v-model="mine.name" maxlength="60"
            /></label>
            <PickField v-model="mine.kind" class="kind" :label="t.kind" :options="kinds" />
            <MaybeField
              v-model="mine.absorption_percent"
              :label="t.absorption"
              unit="%"
              :usual="usualOf(mine.kind)?.absorption_percent"
            />
            <MaybeField
              v-model="mine.protein_percent"
              :label="t.protein"
              unit="%"
              :usual="usualOf(mine.kind)?.protein_percent"
            />
            <MaybeField v-model="mine.ash_percent" :label="t.ash" unit="%" />
            <MaybeField
              :model-value="mine.whole_grain_fraction == null ? null : mine.whole_grain_fraction * 100"
              :label="t.whole"
              unit="%"
              @update:model-value="
                (value) => (mine.whole_grain_fraction = value == null ? null : value / 100)
              "
            />
            <RemoveButton :of="mine.name" @remove="form.flours.splice(index, 1)" />
          </div>
          <div v-for="(lot, place) in mine.lots" :key="place" class="row lot">
            <label class="wide"
              ><span class="small quiet">{{ t.mill }}</span> <ElInput v-model="lot.mill" maxlength="60"
            /></label>
            <label class="short"
              ><span class="small quiet">{{ t.bag }}</span> <ElInput v-model="lot.bag" maxlength="40"
            /></label>
            <DateField v-model="lot.date" class="date" :label="t.date" />
            <MaybeField v-model="lot.price_per_kg" :label="t.price" />
            <label class="wide"
              ><span class="small quiet">{{ t.note }}</span> <ElInput v-model="lot.note" maxlength="200"
            /></label>
            <RemoveButton :of="`${t.bag} ${lot.bag}`" @remove="mine.lots.splice(place, 1)" />
          </div>
          <ElButton class="link" @click="addLot(mine)">{{ t.addLot }}</ElButton>
        </section>
        <ElButton class="plain" @click="addFlour">{{ t.add }}</ElButton>
        <section class="prices">
          <h3>{{ t.prices }}</h3>
          <ul>
            <li v-for="(price, index) in form.prices" :key="price.name">
              <NumberField v-model="price.price_per_kg" :label="nameOf(price.name)" />
              <RemoveButton :of="nameOf(price.name)" @remove="form.prices.splice(index, 1)" />
            </li>
          </ul>
          <p v-if="unpriced.length" class="small">
            <span class="quiet">{{ t.unpriced }}</span>
            <ElButton
              v-for="{ key, name } in unpriced"
              :key="key"
              class="link"
              @click="form.prices.push({ name: key, price_per_kg: 0 })"
            >
              {{ name }}
            </ElButton>
          </p>
        </section>
        <p v-for="error in errors" :key="error" class="inverted error" role="alert">{{ error }}</p>
        <div class="acts">
          <ElButton native-type="submit" class="action" :disabled="saving">{{ t.save }}</ElButton>
          <span v-if="saved" role="status">{{ t.saved }}</span>
          <ElButton v-if="canUndo" @click="undo">{{ words.undone.undo }}</ElButton>
        </div>
      </template>
    </form>
  </div>
</template>

<style scoped>
.pantry {
  display: grid;
  gap: 14px;
  justify-items: start;
}
.flour {
  display: grid;
  gap: 10px;
  width: 100%;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--hairline);
  justify-items: start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
.row label {
  display: grid;
}
.row input {
  min-width: 0;
}

.name {
  width: 224px;
}
.kind {
  width: 164px;
}
.short {
  width: 104px;
}
.date {
  width: 172px;
}
.lot {
  width: 100%;
  padding-left: 12px;
  border-left: 3px solid var(--hairline);
}
h3 {
  font-size: 1.0625rem;
  font-weight: 650;
  margin-bottom: 4px;
}
.prices ul {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 24px;
}
.prices li {
  display: flex;
  gap: 6px;
  align-items: end;
}
.acts {
  display: flex;
  gap: 16px;
  align-items: center;
}
.row .wide {
  flex: 1;
  min-width: 140px;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
</style>
