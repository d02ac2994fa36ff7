<script setup lang="ts">
import { ref } from 'vue'
import { api, must, hasCode, says, type Lecture } from '@/api/client'

const props = defineProps<{ lecture: Lecture; courses: string[] }>()
const emit = defineEmits<{ closed: []; saved: [] }>()

const title = ref(props.lecture.title)
const heldOn = ref(props.lecture.heldOn ?? '')
const course = ref<string | null>(props.lecture.course)
const version = ref(props.lecture.version)
const problem = ref('')

async function save() {
  try {
    await must(
      api.PUT('/api/lectures/{id}', {
        params: { path: { id: props.lecture.id } },
        body: { title: title.value, heldOn: heldOn.value || null, course: course.value, version: version.value },
      }),
    )
    emit('saved')
    emit('closed')
  } catch (e) {
    problem.value = says(e)
    if (hasCode(e, 'changed-elsewhere')) await showNewer()
  }
}

/** What the other window saved, in place of what stands here. */
async function showNewer() {
  const now = await must(api.GET('/api/lectures/{id}', { params: { path: { id: props.lecture.id } } }))
  title.value = now.title
  heldOn.value = now.heldOn ?? ''
  course.value = now.course
  version.value = now.version
  emit('saved')
}
</script>

<template>
  <v-dialog :model-value="true" aria-label="Title, date, course" @update:model-value="emit('closed')">
    <form class="k-sheet" @submit.prevent="save">
      <h2>Title, date, course</h2>
      <v-text-field v-model="title" label="Title" maxlength="200" autofocus />
      <v-text-field v-model="heldOn" label="Date held" type="date" />
      <v-combobox v-model="course" label="Course" :items="courses" clearable />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <v-btn type="submit" :disabled="!title.trim()">Save</v-btn>
        <v-btn variant="text" @click="emit('closed')">Leave as it was</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.row {
  display: flex;
  gap: 12px;
  margin-top: 8px;
}
.problem {
  color: var(--wrong);
}
</style>
