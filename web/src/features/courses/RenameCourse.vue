<script setup lang="ts">
import { ref } from 'vue'
import { api, must, says } from '@/api/client'

const props = defineProps<{ course: string; isArchived?: boolean }>()
const emit = defineEmits<{ closed: []; renamed: [title: string] }>()
const title = ref(props.course)
const problem = ref('')

async function save() {
  try {
    const path = { course: props.course }
    const body = { title: title.value, isArchived: props.isArchived ?? false }
    await must(api.PUT('/api/courses/{course}', { params: { path }, body }))
    emit('renamed', title.value.trim())
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  }
}
</script>

<template>
  <v-dialog :model-value="true" aria-label="Name of the course" @update:model-value="emit('closed')">
    <form class="k-sheet" @submit.prevent="save">
      <h2>Name of the course</h2>
      <v-text-field v-model="title" label="Name" maxlength="100" autofocus />
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
}
.problem {
  color: var(--wrong);
}
</style>
