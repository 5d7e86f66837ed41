<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, type Schemas } from '../../api/client'
import { laterFileField } from '../../forms/later'
import { newKey } from '../../shell/keys'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { shrunk } from './picture'
import type { CultureView } from './useCulture'

const FileField = laterFileField()

/** Pictures of a culture in the order in which they were taken, one of them large; any can be taken away and had back. */
const props = defineProps<{ culture: CultureView; now: number }>()
const emit = defineEmits<{ take: [Promise<{ data?: { culture: CultureView }; error?: unknown }>] }>()
const t = words.cultures
const { clock, dayKey, dayClock } = useUnits()
const all = computed(() => props.culture.pictures)
const chosen = ref('')
watch(
  () => all.value.map((each) => each.id).join(),
  () => (chosen.value = all.value.at(-1)?.id ?? ''),
  { immediate: true },
)
const large = computed(() => all.value.find((each) => each.id === chosen.value) ?? all.value.at(-1) ?? null)
const at = (picture: Schemas['Picture']) => `/api/cultures/${props.culture.id}/pictures/${picture.id}`
const name = (picture: Schemas['Picture']) =>
  t.photoOf({ name: props.culture.culture.name, at: dayClock(picture.taken) })
async function add(file: File) {
  const body = await shrunk(file)
  const taken = Math.min(file.lastModified || props.now, props.now)
  const when = encodeURIComponent(`${dayKey(taken)}T${clock(taken)}`)
  const path = `/api/cultures/${props.culture.id}/pictures/${newKey()}?at=${when}`
  const sent = fetch(path, { method: 'PUT', body }).then(async (answer) => {
    const found = (await answer.json()) as { culture: CultureView }
    return answer.ok ? { data: found } : { error: found }
  })
  emit('take', sent)
}
const path = (picture: string) => ({ params: { path: { key: props.culture.id, picture } } })
const takeAway = (picture: string) =>
  emit('take', api.DELETE('/api/cultures/{key}/pictures/{picture}', path(picture)))
const haveBack = (picture: string) =>
  emit('take', api.POST('/api/cultures/{key}/pictures/{picture}/restore', path(picture)))
</script>

<template>
  <div class="pictures">
    <figure v-if="large">
      <img class="large" :src="at(large)" :alt="name(large)" />
      <figcaption class="small quiet clock">{{ dayClock(large.taken) }}</figcaption>
    </figure>
    <ul v-if="all.length > 1" class="strip" :aria-label="t.photosInOrder">
      <li v-for="each in all" :key="each.id">
        <button type="button" :aria-pressed="each.id === large?.id" @click="chosen = each.id">
          <img :src="at(each)" :alt="name(each)" loading="lazy" />
        </button>
      </li>
    </ul>
    <p class="acts small">
      <FileField
        class="as-link"
        :label="all.length ? t.photoOther : t.photoAdd"
        accept="image/*"
        @chosen="add"
      />
      <ElButton v-if="large" class="link" @click="takeAway(large.id)">{{ t.photoNone }}</ElButton>
      <ElButton v-if="culture.pictures_gone.length" @click="haveBack(culture.pictures_gone.at(-1)!.id)">
        {{ t.photoBack }}
      </ElButton>
    </p>
  </div>
</template>

<style scoped>
.pictures {
  display: grid;
  gap: 6px;
}
figure {
  margin: 0;
}
img {
  display: block;
  object-fit: cover;
  border-radius: var(--corner);
}
.large {
  width: 100%;
  max-height: 200px;
  border: 1.5px solid var(--ink);
}
.strip {
  display: flex;
  gap: 6px;
  padding: 0 0 4px;
  overflow-x: auto;
  list-style: none;
}
.strip button {
  padding: 2px;
  border: 1.5px solid transparent;
  border-radius: var(--corner);
  background: none;
  cursor: pointer;
}
.strip button[aria-pressed='true'] {
  border-color: var(--ink);
}
.strip img {
  width: 56px;
  height: 44px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: center;
}
</style>
