<script setup lang="ts">
import { ref } from 'vue'
import type { WritingPreview } from '@/api/client'

/** All that would be sent to a model, before it is. */
defineProps<{ preview: WritingPreview | null }>()
defineEmits<{ send: [showsFirst: boolean]; closed: [] }>()
const showsAgain = ref(true)
</script>

<template>
  <v-dialog
    :model-value="preview !== null"
    max-width="640"
    aria-label="What is sent"
    @update:model-value="$emit('closed')"
  >
    <div v-if="preview" class="sheet">
      <h2>What is sent to {{ preview.host }}</h2>
      <p class="k-soft">
        {{ preview.wordCount }} words{{ preview.isHere ? ', and they stay on this computer' : ' leave this computer' }}.
      </p>
      <pre tabindex="0">{{ preview.text }}</pre>
      <label v-if="!preview.isHere"><input v-model="showsAgain" type="checkbox" /> Show me this each time</label>
      <div class="row">
        <v-btn @click="$emit('send', showsAgain)">Send it</v-btn>
        <v-btn variant="text" @click="$emit('closed')">Leave it</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.sheet {
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--ink);
  padding: 22px 26px;
  overflow-y: auto;
}
pre {
  white-space: pre-wrap;
  font: 400 14px/1.5 var(--sans);
  max-height: 46vh;
  overflow-y: auto;
  border: 1px solid var(--hair);
  padding: 10px 14px;
  margin: 10px 0;
}
.row {
  display: flex;
  gap: 12px;
  margin-top: 14px;
}
</style>
