<script setup lang="ts">
import { ref } from 'vue'
import { api, must, says, type Accuracy } from '@/api/client'
import { choiceOf, type Choice } from '@/features/sheets/choice'
import SetChoice from '@/features/sheets/SetChoice.vue'
import AccuracyChoice from '@/shared/AccuracyChoice.vue'
import SpokenChoice, { type Spoken } from '@/shared/SpokenChoice.vue'
import { useNotice } from '@/shared/notice'
import { count } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'

/** The routine of a course: what is made by itself when a lecture arrives, and over those that are there. */
const props = defineProps<{ course: string; lectures: number }>()
const emit = defineEmits<{ closed: []; changed: [] }>()
const notice = useNotice()
const path = { course: props.course }
const choice = ref<Choice>({ summary: false, cards: false, quiz: false, sheets: [] })
const accuracy = ref<Accuracy>('accurate')
const spoken = ref<Spoken>({ language: null, byService: false, voices: null, model: null })
const failure = ref('')
const { value: there, problem } = useLoaded(
  () => must(api.GET('/api/courses/{course}/routine', { params: { path } })),
  (now) => {
    choice.value = choiceOf(now)
    accuracy.value = now.choice.accuracy
    spoken.value = {
      language: now.choice.language ?? null,
      byService: now.choice.byService ?? false,
      voices: now.choice.voices ?? null,
      model: now.choice.model ?? null,
    }
  },
)

async function keep(andRun: boolean) {
  failure.value = ''
  try {
    const body = {
      ...choice.value,
      choice: { accuracy: accuracy.value, ...spoken.value },
    }
    await must(api.PUT('/api/courses/{course}/routine', { params: { path }, body }))
    if (andRun) {
      const run = await must(api.POST('/api/courses/{course}/routine/run', { params: { path } }))
      notice.tell(run.lectures ? `Runs over ${count(run.lectures, 'lecture')}.` : 'There is nothing to do for it.')
    }
    emit('changed')
    emit('closed')
  } catch (e) {
    failure.value = says(e)
  }
}
</script>

<template>
  <v-dialog :model-value="true" :aria-label="`Routine of ${course}`" @update:model-value="emit('closed')">
    <form class="k-sheet" @submit.prevent="keep(false)">
      <h2>Routine of {{ course }}</h2>
      <p class="k-soft">When a lecture arrives here, it is written down and divided into chapters. Besides, make:</p>
      <SetChoice v-if="there" v-model="choice" />
      <template v-if="there">
        <p class="k-soft">What a feed brings is written down like this:</p>
        <SpokenChoice v-model="spoken" />
        <AccuracyChoice v-if="!spoken.byService" v-model="accuracy" v-model:spoken="spoken" />
      </template>
      <p v-if="problem || failure" class="problem" role="alert">△ {{ failure || problem }}</p>
      <div class="row">
        <v-btn type="submit" :disabled="!there">Save</v-btn>
        <v-btn variant="outlined" :disabled="!there || !lectures" @click="keep(true)">
          Save, and run over {{ lectures === 1 ? 'the lecture' : `the ${lectures} lectures` }} here
        </v-btn>
        <v-btn variant="text" @click="emit('closed')">Leave as it was</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
}
.problem {
  color: var(--wrong);
}
</style>
