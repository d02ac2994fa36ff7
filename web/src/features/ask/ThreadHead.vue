<script setup lang="ts">
import { nextTick, ref } from 'vue'
import type { Thread } from '@/api/client'

/** The name of the thread that is open, and what can be done with it. */
const props = defineProps<{ thread: Thread }>()
const emit = defineEmits<{ all: []; rename: [title: string]; remove: [] }>()
const typed = ref<string | null>(null)
const field = ref<HTMLInputElement>()

async function begin() {
  typed.value = props.thread.title
  await nextTick()
  field.value?.select()
}
function keep() {
  const title = typed.value?.trim()
  typed.value = null
  if (title && title !== props.thread.title) emit('rename', title)
}
const address = (format: string) => `/api/threads/${props.thread.id}/export?format=${format}`
</script>

<template>
  <div class="head">
    <button class="k-link" type="button" @click="emit('all')">All threads</button>
    <form v-if="typed !== null" @submit.prevent="keep">
      <input
        ref="field"
        v-model="typed"
        maxlength="500"
        aria-label="Name of the thread"
        @keydown.esc.stop="typed = null"
        @blur="keep"
      />
    </form>
    <b v-else-if="thread.isNamed">{{ thread.title }}</b>
    <span class="space" />
    <v-menu>
      <template #activator="{ props: menu }">
        <button class="k-quiet" type="button" v-bind="menu">Thread <span aria-hidden="true">▾</span></button>
      </template>
      <v-list>
        <v-list-item title="Give it a name" @click="begin" />
        <v-list-item title="Take away as Markdown" :href="address('md')" />
        <v-list-item title="Take away as docx" :href="address('docx')" />
        <v-list-item title="Delete the thread" @click="emit('remove')" />
      </v-list>
    </v-menu>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  gap: 4px 16px;
  font-size: 14px;
  padding-bottom: 8px;
  margin-bottom: 12px;
  border-bottom: 1px solid var(--hair);
}
b {
  font-family: var(--serif);
  overflow-wrap: anywhere;
}
form {
  flex: 1;
}
input {
  width: 100%;
  color: var(--ink);
  border-bottom: 2px solid var(--act);
  outline: 0;
}
.space {
  flex: 1;
}
</style>
