<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, must } from '@/api/client'
import { keepProposal } from '@/features/listening/keepProposal'
import { useNotice } from '@/shared/notice'
import { count } from '@/shared/time'

/** What is done with all lectures that are chosen. */
const props = defineProps<{
  ids: string[]
  courses: readonly string[]
  /** Shows what there is now; also long after this bar has gone. */
  renew: () => Promise<void>
}>()
const emit = defineEmits<{ clear: [] }>()
const notice = useNotice()
const router = useRouter()
const isMoving = ref(false)
const isTaking = ref(false)
const course = ref<string | null>(null)
const minutes = ref(30)
const isPlanning = ref(false)
const body = () => ({ ids: [...props.ids] })
const some = (n: number) => count(n, 'lecture')

async function bin() {
  const ids = [...props.ids]
  const done = await notice.attempt(() => must(api.POST('/api/library/bin', { body: { ids } })))
  if (!done) return
  void props.renew()
  notice.tell(`${some(done.done)} in the bin.`, async () => {
    await notice.attempt(() => must(api.POST('/api/library/restore', { body: { ids } })))
    await props.renew()
  })
}

async function move() {
  isMoving.value = false
  const done = await notice.attempt(() =>
    must(api.POST('/api/library/move', { body: { ...body(), course: course.value } })),
  )
  if (!done) return
  void props.renew()
  notice.tell(`${some(done.done)} moved to ${course.value ? `“${course.value}”` : 'no course'}.`)
}

async function transcribe() {
  const done = await notice.attempt(() => must(api.POST('/api/library/transcribe', { body: body() })))
  if (!done) return
  void props.renew()
  notice.tell(
    `${some(done.done)} in the queue; what they have now stays until then.${done.left ? ` ${some(done.left)} left as they are: without a recording, or being worked on.` : ''}`,
  )
}

async function take(format: string) {
  isTaking.value = false
  const answer = await fetch('/api/library/export', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...body(), format }),
  }).catch(() => null)
  if (!answer?.ok) {
    notice.tell('The texts could not be taken away. Try again.')
    return
  }
  const link = document.createElement('a')
  link.href = URL.createObjectURL(await answer.blob())
  link.download = 'lectures.zip'
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}

async function plan() {
  isPlanning.value = false
  const kept = await notice.attempt(() =>
    keepProposal(`${minutes.value} minutes of ${some(props.ids.length)}`, props.ids, minutes.value),
  )
  if (kept) void router.push({ name: 'plan', params: { id: kept.id } })
}
</script>

<template>
  <div class="bar" role="toolbar" aria-label="Chosen lectures">
    <b>{{ ids.length }} chosen</b>
    <button type="button" @click="isMoving = true">Move</button>
    <v-menu v-model="isTaking" location="top">
      <template #activator="{ props: menu }">
        <button type="button" v-bind="menu">Take away</button>
      </template>
      <v-list>
        <v-list-item title="Markdown" @click="take('md')" />
        <v-list-item title="Plain text" @click="take('txt')" />
        <v-list-item title="Captions (WebVTT)" @click="take('vtt')" />
        <v-list-item title="Captions (SubRip)" @click="take('srt')" />
      </v-list>
    </v-menu>
    <button type="button" @click="isPlanning = true">Listening plan</button>
    <button type="button" @click="transcribe">Transcribe again</button>
    <button type="button" @click="bin">Put in the bin</button>
    <button class="clear" type="button" @click="emit('clear')">Choose none</button>
    <v-dialog v-model="isMoving" aria-label="Move to a course">
      <form class="k-sheet" @submit.prevent="move">
        <h2>Move {{ some(ids.length) }}</h2>
        <v-combobox v-model="course" label="Course" :items="courses" clearable autofocus />
        <p class="k-soft">A new name makes a new course; none takes them out of theirs.</p>
        <v-btn type="submit">Move</v-btn>
      </form>
    </v-dialog>
    <v-dialog v-model="isPlanning" aria-label="Listening plan">
      <form class="k-sheet" @submit.prevent="plan">
        <h2>What carries most</h2>
        <v-text-field
          v-model.number="minutes"
          type="number"
          min="1"
          max="600"
          label="Minutes that you have"
          autofocus
        />
        <v-btn type="submit" :disabled="!(minutes > 0)">Make a listening plan</v-btn>
      </form>
    </v-dialog>
  </div>
</template>

<style scoped>
.bar {
  position: sticky;
  bottom: 0;
  z-index: 5;
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 18px;
  background: var(--ink);
  color: var(--paper);
  padding: 8px 16px;
  margin-top: 12px;
}
button {
  color: inherit;
  padding: 4px 0;
}
button:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.clear {
  margin-left: auto;
}
:focus-visible {
  outline-color: var(--paper);
}
</style>
