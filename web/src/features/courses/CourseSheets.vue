<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, must, type Lecture } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { count } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import { useCourseSheet } from './useCourseSheet'

/** The sheets of a course, and one made over its lectures. */
const props = defineProps<{ course: string; lectures: Lecture[] }>()
const router = useRouter()
const notice = useNotice()
const { value: sheets, problem } = useLoaded(() =>
  must(api.GET('/api/courses/{course}/sheets', { params: { path: { course: props.course } } })),
)
const { read, of, isMaking, make, stop } = useCourseSheet(() => props.course)
const isChoosing = ref(false)
const leftOut = ref<string[]>([])
const chosen = computed(() => props.lectures.map((l) => l.id).filter((id) => !leftOut.value.includes(id)))

function whole() {
  leftOut.value = []
  return begin()
}
async function makeOwn() {
  const call = api.POST('/api/courses/{course}/sheets/own', { params: { path: { course: props.course } } })
  const made = await notice.attempt(() => must(call))
  if (made) void router.push({ name: 'sheet', params: { sheet: made.id } })
}
async function begin() {
  isChoosing.value = false
  const made = await make(chosen.value.length < props.lectures.length ? chosen.value : null)
  if (made) void router.push({ name: 'sheet', params: { sheet: made.id } })
}
function toggle(id: string) {
  leftOut.value = leftOut.value.includes(id) ? leftOut.value.filter((l) => l !== id) : [...leftOut.value, id]
}
</script>

<template>
  <section v-if="sheets?.length || lectures.length > 1" class="sheets" aria-label="Sheets of the course">
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <ul v-if="sheets?.length">
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
    <form v-else-if="isChoosing" @submit.prevent="begin">
      <fieldset>
        <legend class="k-soft">One sheet of which lectures</legend>
        <label v-for="l in lectures" :key="l.id">
          <input type="checkbox" :checked="!leftOut.includes(l.id)" @change="toggle(l.id)" /> {{ l.title }}
        </label>
      </fieldset>
      <p class="making">
        <button class="k-link" type="submit" :disabled="chosen.length < 2">Make the sheet</button>
        <button class="k-quiet" type="button" @click="isChoosing = false">Leave it</button>
        <span v-if="chosen.length < 2" class="k-soft">Choose at least two.</span>
      </p>
    </form>
    <p v-else-if="lectures.length > 1" class="making">
      <button class="k-link" type="button" @click="whole">
        {{ sheets?.some((s) => s.form === 'course') ? 'Put it on another sheet' : 'Put the whole course on one sheet' }}
      </button>
      <button class="k-quiet" type="button" @click="isChoosing = true">Choose lectures</button>
      <span class="k-soft">The same matter of all lectures together, and where they differ.</span>
      <button class="k-quiet" type="button" @click="makeOwn">An empty sheet</button>
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
fieldset {
  border: 0;
  padding: 0;
  margin: 0 0 6px;
  display: grid;
  gap: 3px;
}
legend {
  padding: 0;
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
