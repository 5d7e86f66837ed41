<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, ask, ifMatch, Refused, type Changed, type FormulaAnswer, type Schemas } from '../../api/client'
import { useFormula, useFormulas } from '../../shell/formulas'
import { useIngredients } from '../../shell/flours'
import { newKey } from '../../shell/keys'
import { useAbout } from '../../shell/title'
import { words } from '../../words'
import FormulaEditor from './FormulaEditor.vue'
import FormulaView from './FormulaView.vue'
import PantryPage from './PantryPage.vue'
import PasteRecipe from './PasteRecipe.vue'
import { useDraft } from './useDraft'
import TogetherPage from './TogetherPage.vue'
import { laterFileField } from '../../forms/later'
import InTurn from '../../shell/InTurn.vue'

const FileField = laterFileField()

const ConflictDialog = defineAsyncComponent(() => import('../../forms/ConflictDialog.vue'))

type Body = Schemas['FormulaBody']
const t = words.formulas
const MANY = 12
const client = useQueryClient()
const { query, name: sought, lines: all, more } = useFormulas()
const ingredients = useIngredients()
const route = useRoute()
/** A link from elsewhere may name the formula that is wanted. */
const named = route.query.formula
const chosen = ref<string | null>(typeof named === 'string' ? named : null)
const away = ref<FormulaAnswer | null>(null)
const editing = ref<{ id: string; start: Body; version: number } | null>(null)
const clash = shallowRef<Changed | null>(null)
const page = ref<'paste' | 'together' | 'pantry' | null>(null)
const failed = ref('')
const swapped = ref<{ before: Schemas['BulkTime']; after: Schemas['BulkTime'] } | null>(null)
const wanted = computed(() => chosen.value ?? all.value[0]?.id ?? null)
const opened = useFormula(() => wanted.value)
/** What is shown is what is chosen: nobody acts on the one before while it is still on its way. */
const shown = computed(() => (opened.data.value?.id === wanted.value ? (opened.data.value ?? null) : null))

useAbout(() => shown.value?.formula.name)
const blank = () => ({ ...(ingredients.data.value?.new as Body), name: t.newName })

const { draft, keep, forget } = useDraft()
const work = ref<HTMLElement | null>(null)

/** On the phone the list stands above the work: bring the work into view. */
function toWork() {
  void nextTick(() => {
    if (window.innerWidth <= 720) work.value?.scrollIntoView()
  })
}
watch([chosen, editing, page], toWork)

function show(id: string) {
  chosen.value = id
  editing.value = null
  page.value = null
}
/** What was changed is let go. */
function leave() {
  forget()
  editing.value = null
}
function turnTo(name: typeof page.value) {
  editing.value = null
  page.value = name
}
function edit(id: string, start: Body, version = 0) {
  page.value = null
  swapped.value = null
  editing.value = { id, start, version }
}
async function save(body: Body, over?: string) {
  if (!editing.value) return
  const { id, version } = editing.value
  try {
    const headers = ifMatch(over ?? version)
    await ask(api.PUT('/api/formulas/{key}', { params: { path: { key: id } }, body, headers }))
    failed.value = ''
    await client.invalidateQueries({ queryKey: ['formulas'] })
    show(id)
    forget()
  } catch (error) {
    if (error instanceof Refused && error.changed) [clash.value, mine.value] = [error.changed, body]
    else failed.value = error instanceof Refused && error.message ? error.message : words.failed
  }
}
const mine = shallowRef<Body | null>(null)
/** Save over what somebody else saved, with what was chosen of both. */
async function settle(chosen: Record<string, unknown>) {
  const over = clash.value?.etag
  clash.value = null
  if (mine.value) await save({ ...mine.value, ...chosen } as Body, over)
}

/** The same bread with the other leaven, in the editor under a key of its own; it is kept only when saved. */
async function swapLeaven(answer: FormulaAnswer) {
  const leaven = answer.leaven === 'levain' ? 'yeast' : 'levain'
  try {
    const found = await ask(
      api.POST('/api/formulas/{key}/swap', { params: { path: { key: answer.id } }, body: { leaven } }),
    )
    failed.value = ''
    edit(newKey(), found.formula.formula as Body)
    swapped.value = { before: found.before, after: found.after }
  } catch (error) {
    failed.value = error instanceof Refused && error.message ? error.message : words.failed
  }
}
const span = (time: Schemas['BulkTime']) =>
  time.likely_h == null
    ? t.overADay
    : `${t.about} ${hours(time.likely_h)} (${time.low_h == null ? '' : hours(time.low_h)}–${time.high_h == null ? t.overADay : hours(time.high_h)})`
const hours = (value: number) =>
  `${Math.floor(value + 1 / 120)} h ${String(Math.round((value * 60) % 60) % 60).padStart(2, '0')}`

const unread = ref('')

/** A file becomes a formula in the editor; it is kept only when saved. */
async function bringIn(file: File) {
  const answer = await fetch('/api/formulas/read-file', {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  }).catch(() => null)
  const found = (await answer?.json().catch(() => null)) as { formula?: Body; detail?: string } | null
  unread.value = found?.formula ? '' : (found?.detail ?? words.failed)
  if (found?.formula) edit(newKey(), found.formula)
}

async function putAway(answer: FormulaAnswer) {
  await ask(api.DELETE('/api/formulas/{key}', { params: { path: { key: answer.id } } }))
  away.value = answer
  chosen.value = null
  await client.invalidateQueries({ queryKey: ['formulas'] })
}

async function bringBack() {
  if (!away.value) return
  await ask(api.POST('/api/formulas/{key}/restore', { params: { path: { key: away.value.id } } }))
  chosen.value = away.value.id
  away.value = null
  await client.invalidateQueries({ queryKey: ['formulas'] })
}
</script>

<template>
  <div class="room">
    <ConflictDialog
      v-if="clash"
      :changed="clash"
      :what="t.theFormula"
      @settle="settle"
      @close="clash = null"
    />
    <div class="left">
      <h1>{{ t.title }}</h1>
      <ElSkeleton
        v-if="query.isPending.value"
        class="waiting"
        :rows="7"
        animated
        :aria-label="words.loading"
      />
      <p v-if="query.isError.value" role="alert">{{ words.failed }}</p>
      <ElInput
        v-if="more || sought || all.length > MANY"
        v-model="sought"
        class="find"
        :aria-label="t.find"
        :placeholder="t.find"
        type="search"
        clearable
      />
      <p v-if="query.isSuccess.value && !all.length" class="quiet">{{ sought ? t.noneOfName : t.empty }}</p>
      <p v-if="away" class="small" role="status">
        {{ away.formula.name }} {{ t.gone }}
        <ElButton class="link" @click="bringBack">{{ words.undo }}</ElButton>
      </p>
      <p v-if="draft && !editing" class="small unsaved" role="status">
        {{ t.unsaved({ name: draft.body.name }) }}
        <ElButton class="link" @click="edit(draft.id, draft.body, draft.version)">
          {{ t.goOn }}
        </ElButton>
        <ElButton class="link" @click="forget">{{ t.forget }}</ElButton>
      </p>
      <ul>
        <li v-for="each in all" :key="each.id">
          <button
            type="button"
            :aria-pressed="each.id === wanted && !page && (!editing || editing.id === each.id)"
            @click="show(each.id)"
          >
            <strong>{{ each.name }}</strong>
            <span class="small quiet" data-counts="hydration">{{
              t.inList({ water: each.hydration_percent, feel: each.feel })
            }}</span>
          </button>
        </li>
      </ul>
      <p v-if="more" class="small quiet">{{ t.moreByName }}</p>
      <InTurn>
        <div class="make">
          <ElButton class="plain" :disabled="!ingredients.data.value" @click="edit(newKey(), blank())">
            {{ t.write }}
          </ElButton>
          <ElButton class="plain" :aria-pressed="page === 'paste'" @click="turnTo('paste')">
            {{ t.paste }}
          </ElButton>
          <FileField
            class="full"
            :label="t.bringIn"
            accept=".json,.jsonld,.txt,.md,.html,.htm"
            @chosen="bringIn"
          />
          <p v-if="unread" class="inverted error small" role="alert">{{ unread }}</p>
          <ElButton class="link" :aria-pressed="page === 'together'" @click="turnTo('together')">
            {{ words.together.title }}
          </ElButton>
          <ElButton class="link" :aria-pressed="page === 'pantry'" @click="turnTo('pantry')">
            {{ words.pantry.title }}
          </ElButton>
        </div>
      </InTurn>
    </div>
    <div ref="work" class="work">
      <PasteRecipe
        v-if="page === 'paste'"
        class="wide"
        @take="(body) => edit(newKey(), body)"
        @close="page = null"
      />
      <TogetherPage v-else-if="page === 'together'" class="wide" :formulas="all" />
      <PantryPage v-else-if="page === 'pantry'" class="wide" />
      <div v-else-if="editing" class="wide">
        <p v-if="failed" class="inverted error" role="alert">{{ failed }}</p>
        <p v-if="swapped" class="swapped" role="status">
          {{ t.bulkBefore }} {{ span(swapped.before) }}; {{ t.bulkAfter }} {{ span(swapped.after) }}.
          {{ t.bulkAt }}
        </p>
        <FormulaEditor
          v-if="ingredients.data.value"
          :key="editing.id"
          :start="editing.start"
          :book="ingredients.data.value"
          @save="save"
          @draft="(body) => editing && keep(editing.id, body, editing.version)"
          @close="leave"
        />
      </div>
      <FormulaView
        v-else-if="shown"
        :shown="shown"
        @edit="edit(shown.id, shown.formula as Body, shown.version)"
        @swap="swapLeaven(shown)"
        @away="putAway(shown)"
      />
    </div>
  </div>
</template>

<style scoped>
/* As high as a list of seven: what stands under it must not move. */
.waiting {
  min-height: 400px;
}
.find {
  margin-bottom: 10px;
}
.unsaved {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
  margin-bottom: 8px;
}
.room {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr);
  min-height: calc(100vh - 56px);
}
.left {
  padding: 20px 24px 32px 28px;
  border-right: 1px solid var(--hairline);
}
h1 {
  font-size: 1.875rem;
  margin-bottom: 8px;
}
li {
  border-bottom: 1px solid var(--hairline);
}
li button {
  display: grid;
  width: 100%;
  min-height: 56px;
  padding: 8px 0 8px 12px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  text-align: left;
  line-height: 1.25;
  cursor: pointer;
}
li button:hover {
  border-color: var(--hairline);
}
li button[aria-pressed='true'] {
  border-color: var(--ink);
}
.wide {
  min-width: 0;
  padding: 20px 28px 40px 24px;
}
@media (max-width: 720px) {
  .room {
    display: block;
  }
  .left {
    border: 0;
    padding: 16px;
  }
  .wide {
    padding: 8px 16px 24px;
  }
}
.work {
  min-width: 0;
}
.swapped {
  margin-bottom: 16px;
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
.make .link {
  justify-self: start;
}
.make .link[aria-pressed='true'] {
  font-weight: 650;
}
.make {
  display: grid;
  gap: 8px;
  margin-top: 16px;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
</style>
