<script setup lang="ts">
import type { Passage } from '@/api/client'

defineProps<{ mine: string; passage: Passage | null }>()
defineEmits<{ mine: []; theirs: [] }>()
</script>

<template>
  <v-dialog :model-value="true" persistent max-width="720" aria-label="Changed in two windows">
    <div class="k-sheet">
      <h2>Changed in two windows</h2>
      <p>This passage was changed in another window while you typed. Nothing is lost: choose which wording stays.</p>
      <h3>Yours</h3>
      <p class="words">{{ mine }}</p>
      <h3>In the other window</h3>
      <p v-if="passage" class="words">{{ passage.text }}</p>
      <p v-else class="k-soft">The passage was taken out, or joined to another.</p>
      <div class="row">
        <v-btn v-if="passage" @click="$emit('mine')">Keep yours</v-btn>
        <v-btn :variant="passage ? 'outlined' : 'flat'" @click="$emit('theirs')">Keep the other</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
h3 {
  font-size: 15px;
}
.words {
  font: 400 16px/1.55 var(--serif);
  max-height: 22vh;
  overflow-y: auto;
}
.row {
  display: flex;
  gap: 10px;
}
</style>
