<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api, must, says, type Lecture, type SearchResult } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { useLatest } from '@/shared/useLatest'
import { clock, count } from '@/shared/time'
import { takeBack } from './takeBack'

const props = defineProps<{ lecture: Lecture; phrase: string; replacement: string }>()
const emit = defineEmits<{ closed: []; replaced: []; hear: [startMs: number, endMs: number] }>()
const notice = useNotice()
const latest = useLatest()
const phrase = ref(props.phrase)
const replacement = ref(props.replacement)
const wholeCourse = ref(false)
const found = ref<SearchResult | null>(null)
const left = ref(new Set<string>())
const problem = ref('')
const isBusy = ref(false)
const leavesOut = ref(false)
/** What the places that are shown were looked for with. */
const shown = ref({ phrase: '', replacement: '' })
const isFresh = computed(() => shown.value.phrase === phrase.value && shown.value.replacement === replacement.value)
const canReplace = computed(() => isFresh.value && (Boolean(replacement.value.trim()) || leavesOut.value))
const path = { id: props.lecture.id }
const leadMs = 600

const placeKey = (lectureId: string, p: { place: { passageId: string; firstWord: number } }) =>
  `${lectureId} ${p.place.passageId} ${p.place.firstWord}`
const toggle = (key: string) => {
  const next = new Set(left.value)
  if (!next.delete(key)) next.add(key)
  left.value = next
}
const chosen = computed(() => ({
  lectures: (found.value?.lectures ?? []).map((l) => ({
    lectureId: l.lectureId,
    places: l.places.filter((p) => !left.value.has(placeKey(l.lectureId, p))).map((p) => p.place),
  })),
  made: (found.value?.made ?? []).filter((m) => !left.value.has(m.key)).map((m) => m.key),
}))
const total = computed(() => chosen.value.lectures.reduce((n, l) => n + l.places.length, 0) + chosen.value.made.length)
const names: Record<string, string> = {
  card: 'Card',
  summary: 'Summary',
  sheet: 'Sheet',
  answer: 'Answer',
  quiz: 'Quiz',
  mark: 'Mark',
}

async function look() {
  problem.value = ''
  left.value = new Set()
  const wanted = { phrase: phrase.value, replacement: replacement.value }
  if (!wanted.phrase.trim()) return
  await latest(
    () =>
      must(
        api.POST('/api/lectures/{id}/find', { params: { path }, body: { ...wanted, wholeCourse: wholeCourse.value } }),
      ),
    (result) => {
      found.value = result
      shown.value = wanted
    },
    (e) => (problem.value = says(e)),
  )
}
onMounted(() => void look())
watch([phrase, replacement], useDebounceFn(look, 350))

async function replace() {
  isBusy.value = true
  try {
    const result = await must(
      api.POST('/api/lectures/{id}/replace', {
        params: { path },
        body: { phrase: phrase.value, text: replacement.value, ...chosen.value },
      }),
    )
    const left = result.leftOut.length
      ? ` Left out, because it was changed meanwhile: ${result.leftOut.join(', ')}.`
      : ''
    notice.tell(
      `Replaced at ${count(result.places + result.made, 'place')}.${left}`,
      result.edits.length ? () => void takeBack(result.edits, notice) : undefined,
    )
    emit('replaced')
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <v-dialog :model-value="true" max-width="760" aria-label="Find and replace" @update:model-value="emit('closed')">
    <div class="k-sheet">
      <h2>Find and replace</h2>
      <form class="fields" @submit.prevent="look">
        <v-text-field v-model="phrase" label="Whole words to find" maxlength="200" :autofocus="!phrase" />
        <v-text-field v-model="replacement" label="Write instead" maxlength="200" :autofocus="Boolean(phrase)" />
      </form>
      <label v-if="lecture.course"
        ><input v-model="wholeCourse" type="checkbox" @change="look" /> in the whole course, {{ lecture.course }}</label
      >
      <label v-if="!replacement.trim() && found"
        ><input v-model="leavesOut" type="checkbox" /> leave the words out altogether</label
      >
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div v-if="found" class="places">
        <p v-if="!found.lectures.length && !found.made.length" class="k-soft">It stands nowhere.</p>
        <template v-for="l in found.lectures" :key="l.lectureId">
          <h3>{{ l.title }}</h3>
          <div v-for="p in l.places" :key="placeKey(l.lectureId, p)" class="place">
            <input
              type="checkbox"
              :checked="!left.has(placeKey(l.lectureId, p))"
              :aria-label="`Replace at ${clock(p.startMs)}`"
              @change="toggle(placeKey(l.lectureId, p))"
            />
            <button
              v-if="l.lectureId === lecture.id && lecture.hasSound"
              class="k-link k-time"
              type="button"
              :aria-label="`Hear ${clock(p.startMs)}`"
              @click="emit('hear', Math.max(0, p.startMs - leadMs), p.endMs + leadMs)"
            >
              {{ clock(p.startMs) }}
            </button>
            <span v-else class="k-soft k-time">{{ clock(p.startMs) }}</span>
            <span class="words"
              >… {{ p.before }} <del>{{ p.place.expected }}</del> <ins>{{ p.place.text }}</ins> {{ p.after }} …</span
            >
          </div>
        </template>
        <template v-if="found.made.length">
          <h3>In what was made from it</h3>
          <div v-for="m in found.made" :key="m.key" class="place">
            <input
              type="checkbox"
              :checked="!left.has(m.key)"
              :aria-label="`Replace in this ${m.kind}`"
              @change="toggle(m.key)"
            />
            <span class="k-soft">{{ names[m.kind] }}</span>
            <span class="words"
              ><del>{{ m.before }}</del> <ins>{{ m.after }}</ins></span
            >
          </div>
        </template>
      </div>
      <div class="row">
        <v-btn :disabled="!total || isBusy || !canReplace" @click="replace"
          >{{ replacement.trim() ? 'Replace' : 'Leave out' }} at {{ count(total, 'place') }}</v-btn
        >
        <v-btn variant="text" @click="emit('closed')">Close</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: end;
}
.fields > :not(.v-btn) {
  flex: 1 1 180px;
}
.places {
  max-height: 46vh;
  overflow-y: auto;
}
.places h3 {
  font-size: 15px;
  margin: 8px 0 2px;
}
.place {
  display: grid;
  grid-template-columns: 22px 62px 1fr;
  align-items: baseline;
  border-top: 1px solid var(--hair);
  padding: 5px 0;
}
.words {
  font: 400 15px/1.5 var(--serif);
}
del {
  color: var(--wrong);
}
ins {
  text-decoration: none;
  font-weight: 600;
}
.row {
  display: flex;
  gap: 8px;
}
.problem {
  color: var(--wrong);
}
</style>
