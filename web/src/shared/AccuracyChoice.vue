<script setup lang="ts">
import type { Accuracy } from '@/api/client'

const chosen = defineModel<Accuracy>({ required: true })
</script>

<template>
  <v-radio-group v-model="chosen" label="How it is written down">
    <v-radio value="accurate">
      <template #label>
        <span><b>Accurate</b>: an hour of lecture takes about three minutes</span>
      </template>
    </v-radio>
    <v-radio value="fast">
      <template #label>
        <span><b>Fast</b>: about two minutes, with about a fifth more mistakes</span>
      </template>
    </v-radio>
  </v-radio-group>
</template>

<style scoped>
.v-radio-group :deep(.v-input__control > .v-label),
.v-radio-group :deep(.v-selection-control-group) {
  margin-inline-start: 0;
  padding-inline-start: 0;
}
.v-radio-group :deep(.v-label) {
  opacity: 1;
}
</style>
