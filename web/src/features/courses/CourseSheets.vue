<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, must, type SheetEntry } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { count } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import { useCourseSheet } from './useCourseSheet'

/** The sheets of a course, and one made over all its lectures. */
const props = defineProps<{ course: string; lectures: number }>()
const router = useRouter()
const notice = useNotice()
const latest = useLatest()
const sheets = ref<SheetEntry[]>([])
const { read, of, isMaking, make, stop } = useCourseSheet(() => props.course)

onMounted(() =>
  latest(
    () => must(api.GET('/api/courses/{course}/sheets', { params: { path: { course: props.course } } })),
    (there) => (sheets.value = there),
    notice.fail,
  ),
)
async function begin() {
  const made = await make()
  if (made) void router.push({ name: 'sheet', params: { sheet: made.id } })
}
</script>

<template>
  <section v-if="sheets.length || lectures > 1" class="sheets" aria-label="Sheets of the course">
    <ul v-if="sheets.length">
      <li v-for="s in sheets" :key="s.id">
        <router-link class="k-link" :to="{ name: 'sheet', params: { sheet: s.id } }">{{ s.name }}</router-link>
        <span class="k-soft">{{ count(s.lines, 'line') }}</span>
      </li>
    </ul>
    <p v-if="isMaking" class="making" role="status">
      <span>{{ read < of ? `Lecture ${read + 1} of ${of} is being read` : 'It is being put together' }} …</span>
      <progress :value="read" :max="of || 1" :aria-label="`${read} of ${of} lectures are read`" />
      <button class="k-quiet" type="button" @click="stop">Stop</button>
    </p>
    <p v-else-if="lectures > 1">
      <button class="k-link" type="button" @click="begin">
        {{ sheets.length ? 'Put it on another sheet' : 'Put the whole course on one sheet' }}
      </button>
      <span class="k-soft"> The same matter of all lectures together, and where they differ.</span>
    </p>
  </section>
</template>

<style scoped>
.sheets {
  margin-bottom: 18px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 6px;
}
li {
  display: flex;
  gap: 16px;
  align-items: baseline;
  padding: 3px 0;
}
.k-soft {
  font-size: 14px;
}
.making {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
}
</style>
