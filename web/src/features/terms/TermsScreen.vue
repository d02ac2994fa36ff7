<script setup lang="ts">
import { computed, ref } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import { api, must, hasCode, says } from '@/api/client'
import { useLoaded } from '@/shared/useLoaded'
import { useUnsaved } from '@/shared/useUnsaved'
import { fromTable, toTable } from './termTable'

const props = defineProps<{ course: string }>()
const text = ref('')
const isSaved = ref(false)
const picker = ref<HTMLInputElement>()
const brought = ref<number | null>(null)
const path = () => ({ params: { path: { course: props.course } } })
const {
  value: list,
  problem,
  load,
} = useLoaded(
  () => must(api.GET('/api/courses/{course}/terms', path())),
  (now) => (text.value = now.text),
)
const count = computed(() => text.value.split('\n').filter((l) => l.trim()).length)
const isChanged = computed(() => list.value !== null && text.value !== list.value.text)

async function save() {
  problem.value = ''
  isSaved.value = false
  try {
    const body = { text: text.value, version: list.value?.version ?? 0 }
    const saved = await must(api.PUT('/api/courses/{course}/terms', { ...path(), body }))
    list.value = saved
    text.value = saved.text
    isSaved.value = true
  } catch (e) {
    problem.value = says(e)
    if (hasCode(e, 'changed-elsewhere')) await joinNewer()
  }
}

/** What another window saved comes first; the lines that stand only here are put below it. */
async function joinNewer() {
  const now = await must(api.GET('/api/courses/{course}/terms', path()))
  const there = new Set(now.text.split('\n'))
  const mine = text.value.split('\n').filter((l) => l.trim() && !there.has(l))
  list.value = now
  text.value = [now.text, ...mine].filter(Boolean).join('\n')
}

function takeAway() {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([toTable(text.value)], { type: 'text/tab-separated-values' }))
  link.download = `${props.course} terms.tsv`
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}

async function bringIn() {
  const file = picker.value?.files?.[0]
  if (!file) return
  const lines = fromTable(await file.text(), text.value)
  brought.value = lines.length
  text.value = [text.value.trimEnd(), ...lines].filter(Boolean).join('\n')
  if (picker.value) picker.value.value = ''
}

useUnsaved(() => isChanged.value)
onBeforeRouteLeave(() => !isChanged.value || window.confirm('Leave without saving the terms?'))
</script>

<template>
  <div class="k-column">
    <h1>Terms of “{{ course }}”</h1>
    <p class="k-soft lead">
      Words of the subject that nobody would guess: names, foreign words, technical terms. Kostel listens for them when
      it transcribes a lecture of this course, and writes them the way you do. One term a line.
    </p>
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button v-if="!list" class="k-link" type="button" @click="load">Try again</button>
    </p>
    <form v-if="list" @submit.prevent="save">
      <v-textarea
        v-model="text"
        aria-label="Terms, one a line"
        hide-details
        rows="14"
        spellcheck="false"
        placeholder="neap tide&#10;evapotranspiration&#10;bergschrund = berg shroond"
        persistent-placeholder
        @update:model-value="isSaved = false"
      />
      <p class="k-soft small">
        Where the spelling misleads, write what it sounds like behind an equals sign:
        <span class="example">bergschrund = berg shroond</span>
      </p>
      <ul v-if="list.problems.length" class="problem" role="alert">
        <li v-for="p in list.problems" :key="p">{{ p }}</li>
      </ul>
      <p class="table">
        <button class="k-quiet" type="button" :disabled="!count" @click="takeAway">Take away as a table (TSV)</button>
        <button class="k-quiet" type="button" @click="picker?.click()">Bring in a table</button>
        <input
          ref="picker"
          class="picker"
          type="file"
          accept=".tsv,.txt,text/tab-separated-values,text/plain"
          tabindex="-1"
          aria-label="A table of terms"
          @change="bringIn"
        />
        <span v-if="brought !== null" role="status">{{
          brought ? `${brought} added; save to keep them.` : 'All of them stand here already.'
        }}</span>
      </p>
      <div class="row">
        <v-btn type="submit" :disabled="!isChanged">Save</v-btn>
        <span class="k-soft" :class="{ problem: count > list.most }">{{ count }} of {{ list.most }}</span>
        <span v-if="isSaved" role="status">
          Saved. Lectures that you bring in from now on are heard with them; others when you transcribe them again.
        </span>
      </div>
    </form>
  </div>
</template>

<style scoped>
.lead {
  margin: 10px 0 20px;
  max-width: 62ch;
}
.small {
  font-size: 14px;
  margin-top: 8px;
}
.table {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  font-size: 14px;
  margin-top: 10px;
}
.picker {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
.example {
  font-family: var(--serif);
  color: var(--ink);
}
.row {
  display: flex;
  gap: 18px;
  align-items: baseline;
  flex-wrap: wrap;
  margin-top: 16px;
}
ul.problem {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
.problem {
  color: var(--wrong);
}
</style>
