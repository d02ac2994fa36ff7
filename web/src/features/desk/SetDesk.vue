<script setup lang="ts">
import { computed, onUnmounted, ref } from 'vue'
import { api, must } from '@/api/client'
import { isEmpty, type Choice } from '@/features/sheets/choice'
import SetChoice from '@/features/sheets/SetChoice.vue'
import { useLive } from '@/shared/live'
import { useNotice } from '@/shared/notice'
import { describe } from '@/shared/stages'
import { count } from '@/shared/time'
import type { DeskPanelName } from './panels'
import { useDesk } from './useDesk'

/** Summary, sheets, cards and a quiz of a lecture in one go. */
const { lecture, open } = useDesk()
const notice = useNotice()
const { makesCards } = lecture.value
const choice = ref<Choice>({ summary: true, cards: makesCards, quiz: makesCards, sheets: ['points', 'terms'] })
const state = ref<'asking' | 'making' | 'made'>('asking')
const made = ref<Choice | null>(null)

const live = useLive()
const progress = computed(() => live.reports.get(lecture.value.id))
const stop = live.listen((p) => {
  if (p.lectureId !== lecture.value.id || state.value !== 'making') return
  if (p.state === 'done') state.value = 'made'
  else if (p.state === 'failed' || p.state === 'cancelled') state.value = 'asking'
})
onUnmounted(stop)

async function make() {
  made.value = { ...choice.value }
  state.value = 'making'
  const params = { path: { id: lecture.value.id } }
  const isBegun = await notice.attempt(async () => {
    await must(api.POST('/api/lectures/{id}/set', { params, body: { ...choice.value, name: '' } }))
    return true
  })
  if (!isBegun) state.value = 'asking'
}
const panels = computed(() => {
  const m = made.value
  const all: [boolean, DeskPanelName, string][] = [
    [m?.summary ?? false, 'summary', 'Summary'],
    [(m?.sheets.length ?? 0) > 0, 'sheets', count(m?.sheets.length ?? 0, 'sheet')],
    [m?.cards ?? false, 'cards', 'Cards'],
    [m?.quiz ?? false, 'quiz', 'Quiz'],
  ]
  return all.filter(([isWanted]) => isWanted)
})
</script>

<template>
  <div class="body">
    <form v-if="state === 'asking'" class="start" @submit.prevent="make">
      <p class="k-soft">What you want of this lecture, made in one go. What is there already is kept as it is.</p>
      <SetChoice v-model="choice" />
      <v-btn type="submit" :disabled="isEmpty(choice)">Make them</v-btn>
    </form>
    <div v-else class="start" role="status">
      <template v-if="state === 'making'">
        <p>{{ progress ? describe(progress) : 'Being made' }}</p>
        <p class="k-soft">You can read on meanwhile.</p>
      </template>
      <template v-else>
        <p>Made. What this lecture has nothing for was passed over.</p>
        <p class="open">
          <button v-for="[, panel, name] in panels" :key="panel" class="k-link" type="button" @click="open(panel)">
            {{ name }}
          </button>
        </p>
        <p><button class="k-quiet" type="button" @click="state = 'asking'">Make others</button></p>
      </template>
    </div>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.open {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
}
</style>
