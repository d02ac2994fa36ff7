<script setup lang="ts">
import { ref } from 'vue'
import { api, must, says, type Accuracy, type Lecture } from '@/api/client'
import AccuracyChoice from '@/shared/AccuracyChoice.vue'
import SpokenChoice, { type Spoken } from '@/shared/SpokenChoice.vue'
import { useLoaded } from '@/shared/useLoaded'
import { day } from '@/shared/time'

const props = defineProps<{ lecture: Lecture }>()
const emit = defineEmits<{ closed: []; begun: []; replaced: [] }>()
const accuracy = ref<Accuracy>('accurate')
const spoken = ref<Spoken>({ language: props.lecture.language.code, byService: false, voices: null, model: null })
const keepsChapters = ref(true)
const path = { path: { id: props.lecture.id } }
const { value: made, problem } = useLoaded(() => must(api.GET('/api/lectures/{id}/transcripts', { params: path })))

async function attempt(action: () => Promise<void>) {
  problem.value = ''
  try {
    await action()
  } catch (e) {
    problem.value = says(e)
  }
}

const begin = () =>
  attempt(async () => {
    await must(
      api.POST('/api/lectures/{id}/transcribe', {
        params: path,
        body: { accuracy: accuracy.value, ...spoken.value, keepsChapters: keepsChapters.value },
      }),
    )
    emit('begun')
    emit('closed')
  })

const goBack = (earlier: number) =>
  attempt(async () => {
    await must(
      api.POST('/api/lectures/{id}/transcripts/{earlier}/use', { params: { path: { ...path.path, earlier } } }),
    )
    emit('replaced')
    emit('closed')
  })
</script>

<template>
  <v-dialog :model-value="true" aria-label="Transcribe again" @update:model-value="emit('closed')">
    <form class="k-sheet" @submit.prevent="begin">
      <h2>Transcribe again</h2>
      <p class="k-soft">
        The transcript that you have stays until the new one is there, and is kept then. Cards, quizzes and summaries
        stay as they are.
      </p>
      <SpokenChoice v-model="spoken" />
      <AccuracyChoice v-if="!spoken.byService" v-model="accuracy" v-model:spoken="spoken" />
      <v-checkbox
        v-if="made?.hasOwnChapters"
        v-model="keepsChapters"
        label="Keep its chapters: some are yours or came with it"
        hide-details
      />
      <p v-if="lecture.course && made" class="terms">
        <template v-if="made.termCount">Listens for {{ made.termCount }} terms of “{{ lecture.course }}”.</template>
        <template v-else>“{{ lecture.course }}” has no terms to listen for yet.</template>
        {{ ' ' }}
        <router-link :to="{ name: 'terms', params: { course: lecture.course } }">{{
          made.termCount ? 'See them' : 'Write some down'
        }}</router-link>
      </p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <v-btn type="submit">Transcribe again</v-btn>
        <v-btn variant="text" @click="emit('closed')">Leave as it is</v-btn>
      </div>
      <section v-if="made?.earlier.length" class="earlier">
        <h3>Earlier transcripts</h3>
        <ul class="k-rows">
          <li v-for="t in made.earlier" :key="t.id">
            <span>{{ day(t.madeAt.slice(0, 10)) }}, {{ t.madeBy ?? t.accuracy }}, {{ t.wordCount }} words</span>
            <button class="k-link" type="button" @click="goBack(t.id)">Go back to this one</button>
          </li>
        </ul>
      </section>
    </form>
  </v-dialog>
</template>

<style scoped>
.row {
  display: flex;
  gap: 12px;
  margin-top: 4px;
}
.problem {
  color: var(--wrong);
}
.earlier {
  margin-top: 10px;
}
.earlier li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 8px 0;
}
</style>
