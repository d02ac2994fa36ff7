<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { RouteLocationRaw } from 'vue-router'
import { api, must, type SearchCourse } from '@/api/client'
import { count } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import SearchAnswer from './SearchAnswer.vue'
import FoundLecture from './FoundLecture.vue'
import FoundText from './FoundText.vue'
import SearchNotes from './SearchNotes.vue'
import { usePlayedHit } from '@/shared/usePlayedHit'
import { kindChoices, useSearch } from './useSearch'
import { kindNames } from './hitNames'

const { wanted, found, problem, find, isNarrowed, widen } = useSearch()
const { playing, toggle } = usePlayedHit()
const { value: choices } = useLoaded(() => must(api.GET('/api/search/choices')))
const field = ref<HTMLInputElement>()
const results = ref<HTMLElement>()
const answered = ref<HTMLElement>()
const narrows = ref(isNarrowed.value)
const kinds = Object.entries(kindChoices).map(([value, k]) => ({ value, title: k.name }))
const lectureTitle = computed(() => found.value?.lectures.find((l) => l.id === wanted.lecture)?.title ?? 'one lecture')
const said = computed(() => {
  const f = found.value
  if (!f || f.isEmpty) return ''
  const lectures = f.lectures.length
  return f.hitCount
    ? `${count(f.hitCount, 'place')}${lectures ? ` in ${count(lectures, 'lecture')}` : ''}`
    : 'Nothing found'
})

/** Where what was found of a course stands. */
const place = (c: SearchCourse): RouteLocationRaw =>
  c.sheet === null
    ? { name: c.kind === 'term' ? 'terms' : 'course', params: { course: c.course } }
    : { name: 'sheet', params: { sheet: c.sheet } }

/** The arrows go through what was found, and from the field into it. */
function step(event: KeyboardEvent) {
  const way = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  const hits = [answered.value, results.value].flatMap((part) => [
    ...(part?.querySelectorAll<HTMLElement>('[data-hit]') ?? []),
  ])
  if (!way || !hits.length) return
  event.preventDefault()
  const at = hits.indexOf(document.activeElement as HTMLElement) + way
  if (at < 0) field.value?.focus()
  else hits[Math.min(at, hits.length - 1)]?.focus()
}
onMounted(() => field.value?.focus())
</script>

<template>
  <div class="k-column search" @keydown="step">
    <h1>Search</h1>
    <form role="search" @submit.prevent="find(false)">
      <label class="sr" for="search-text">What to look for</label>
      <input
        id="search-text"
        ref="field"
        v-model="wanted.text"
        type="search"
        autocomplete="off"
        spellcheck="false"
        maxlength="500"
        placeholder="A word, a phrase, a question"
      />
      <button class="k-link" type="button" :aria-expanded="narrows" @click="narrows = !narrows">Narrow it</button>
    </form>
    <div v-if="narrows" class="narrow">
      <v-select v-model="wanted.course" label="Course" :items="choices?.courses ?? []" clearable />
      <v-select v-model="wanted.kind" label="What" :items="kinds" clearable />
      <v-select
        v-if="choices?.speakers.length"
        v-model="wanted.speaker"
        label="Who speaks"
        :items="choices.speakers"
        clearable
      />
      <v-text-field v-model="wanted.from" type="date" label="Held from" />
      <v-text-field v-model="wanted.to" type="date" label="to" />
    </div>
    <p v-if="wanted.lecture" class="inside">
      Only in {{ lectureTitle }}.
      <button class="k-link" type="button" @click="wanted.lecture = null">Look everywhere</button>
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div ref="answered">
      <SearchAnswer :wanted="wanted" :playing="playing" @play="toggle" />
    </div>
    <p class="k-soft said" role="status">{{ said }}</p>
    <SearchNotes v-if="found" :found="found" />
    <div v-if="!found" class="k-soft start">
      <p>
        Everything that was said, and all that you made of it: titles, chapters, marks and notes, cards, summaries,
        terms.
      </p>
      <dl>
        <dt>spring tides</dt>
        <dd>both words, in any form; a slip of the pen is forgiven</dd>
        <dt>“as a rule of thumb”</dt>
        <dd>these words, in this order</dd>
        <dt>semi*</dt>
        <dd>words that begin so</dd>
        <dt>How late is high water in a creek?</dt>
        <dd>an answer out of your lectures, with its place</dd>
      </dl>
    </div>
    <p v-else-if="found.isEmpty" class="k-soft">Type a word: signs alone stand nowhere.</p>
    <p v-else-if="!found.hitCount" class="start">
      Try fewer words, or another word for it.
      <button v-if="isNarrowed" class="k-link" type="button" @click="widen">Look everywhere</button>
    </p>
    <div v-else ref="results">
      <section v-if="found.courses.length" class="courses" aria-label="Courses and terms">
        <router-link v-for="(c, i) in found.courses.slice(0, 8)" :key="i" data-hit :to="place(c)">
          <span class="kind">{{ kindNames[c.kind] }}</span> <FoundText :text="c.text" :spans="c.spans" />
        </router-link>
      </section>
      <section v-if="found.threads.length" class="courses" aria-label="Threads">
        <router-link
          v-for="t in found.threads.slice(0, 8)"
          :key="t.id"
          data-hit
          :to="{ name: 'ask', query: { course: t.course ?? undefined, thread: String(t.id) } }"
        >
          <span class="kind">{{ t.course ? `Asked of ${t.course}` : 'Asked of everything' }}</span>
          <FoundText :text="t.text" :spans="t.spans" />
        </router-link>
      </section>
      <FoundLecture
        v-for="l in found.lectures"
        :key="l.id"
        :lecture="l"
        :playing="playing"
        :is-alone="wanted.lecture === l.id"
        @play="(hit) => toggle(l.id, hit.startMs, hit.endMs)"
        @all="wanted.lecture = l.id"
      />
    </div>
  </div>
</template>

<style scoped>
form {
  display: flex;
  align-items: baseline;
  gap: 20px;
  margin-top: 14px;
  border-bottom: 2px solid var(--ink);
}
form:focus-within {
  border-color: var(--act);
}
input {
  flex: 1;
  min-width: 0;
  font: 400 22px/1.6 var(--serif);
  color: var(--ink);
  background: none;
  border: 0;
  outline: none;
}
input::placeholder {
  color: var(--soft);
  opacity: 1;
}
.narrow {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 6px 20px;
  padding-top: 12px;
}
.said {
  margin-top: 12px;
  min-height: 1.5em;
}
.inside {
  margin-top: 12px;
}
.start {
  margin-top: 8px;
  max-width: 620px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 6px 24px;
  margin-top: 16px;
}
dt {
  font: 400 16px var(--serif);
  color: var(--ink);
}
.courses {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 26px;
  margin-top: 14px;
}
.courses a:not(.v-btn) {
  color: var(--ink);
  text-decoration: none;
}
.courses a:hover {
  text-decoration: underline;
}
.kind {
  font-size: 13px;
  font-weight: 600;
  color: var(--soft);
}
.problem {
  color: var(--wrong);
  margin-top: 12px;
}
.sr {
  position: absolute;
  clip-path: inset(50%);
}
@media (max-width: 620px) {
  dl {
    grid-template-columns: 1fr;
    gap: 0;
  }
  dd {
    margin-bottom: 10px;
  }
}
</style>
