<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ask } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ restored: [] }>()
const t = words.formulas
const client = useQueryClient()
const { day, clock } = useUnits()
const query = useQuery({
  queryKey: computed(() => ['versions', props.id]),
  queryFn: () => ask(api.GET('/api/formulas/{key}/versions', { params: { path: { key: props.id } } })),
  staleTime: 0,
})

async function restore(number: number) {
  await ask(
    api.POST('/api/formulas/{key}/versions/{number}/restore', {
      params: { path: { key: props.id, number } },
    }),
  )
  await client.invalidateQueries({ queryKey: ['formulas'] })
  await query.refetch()
  emit('restored')
}
</script>

<template>
  <section v-if="(query.data.value?.versions.length ?? 0) > 1">
    <h3>{{ t.versions }}</h3>
    <ol>
      <li v-for="(version, index) in query.data.value?.versions" :key="version.number">
        <div class="head">
          <p>
            <strong>{{ t.version }} {{ version.number }}</strong>
            <span class="small quiet">
              {{ version.name }} {{ day(version.saved_at) }}, {{ clock(version.saved_at) }}</span
            >
          </p>
          <button v-if="index > 0" type="button" class="link" @click="restore(version.number)">
            {{ t.restore }} {{ version.number }}
          </button>
        </div>
        <dl>
          <template v-for="change in version.changes" :key="change.what">
            <div v-if="change.differs">
              <dt>{{ change.what }}</dt>
              <dd>
                <del v-if="change.before">{{ change.before }}</del>
                <ins v-if="change.after">{{ change.after }}</ins>
              </dd>
            </div>
          </template>
        </dl>
      </li>
    </ol>
  </section>
</template>

<style scoped>
h3 {
  font-size: 17px;
  font-weight: 650;
}
li {
  padding: 6px 0;
  border-top: 1px solid var(--hairline);
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
dl > div {
  display: grid;
  grid-template-columns: 180px 1fr;
  gap: 12px;
}
ins {
  font-weight: 650;
  text-decoration: none;
}
del {
  margin-right: 10px;
  color: var(--quiet);
}
</style>
