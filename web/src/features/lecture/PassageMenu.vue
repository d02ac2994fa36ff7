<script setup lang="ts">
import { ref } from 'vue'
import type { Edit, Passage, Speaker } from '@/api/client'

const props = defineProps<{ target: HTMLElement; passage: Passage; isFirst: boolean; speakers: readonly Speaker[] }>()
const emit = defineEmits<{ closed: []; edit: [edit: Edit]; label: [] }>()
const chapter = ref<string | null>(null)

function act(edit: Edit) {
  emit('edit', edit)
  emit('closed')
}
const give = (speakerId: string | null) => act({ kind: 'give', passageId: props.passage.id, speakerId, newName: null })
</script>

<template>
  <v-menu :model-value="true" :target="target" :close-on-content-click="false" @update:model-value="emit('closed')">
    <v-list v-if="chapter === null">
      <v-list-subheader>Who speaks here</v-list-subheader>
      <v-list-item
        v-for="s in speakers"
        :key="s.id"
        :title="s.name"
        :active="s.id === passage.speakerId"
        @click="give(s.id)"
      />
      <v-list-item title="Somebody else" @click="give(null)" />
      <v-divider />
      <v-list-item
        v-if="!isFirst"
        title="Join to the passage before"
        @click="act({ kind: 'join', passageId: passage.id, expected: passage.text })"
      />
      <v-list-item title="Begin a chapter here" @click="chapter = ''" />
      <v-list-item title="Label this passage" @click="emit('label')" />
    </v-list>
    <form v-else class="k-sheet" @submit.prevent="act({ kind: 'beginChapter', passageId: passage.id, title: chapter })">
      <v-text-field v-model="chapter" label="Title of the chapter" maxlength="120" autofocus />
      <v-btn type="submit" :disabled="!chapter.trim()">Begin it here</v-btn>
    </form>
  </v-menu>
</template>

<style scoped>
.k-sheet {
  width: 300px;
}
</style>
