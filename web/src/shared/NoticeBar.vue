<script setup lang="ts">
import { useNotice } from './notice'

const notice = useNotice()

function undo() {
  notice.current?.undo?.()
  notice.current = null
}
</script>

<template>
  <v-snackbar
    :model-value="notice.current !== null"
    :timeout="notice.current?.isProblem ? 12000 : 6000"
    :class="['notice', { problem: notice.current?.isProblem }]"
    location="bottom left"
    @update:model-value="notice.current = null"
  >
    {{ notice.current?.text }}
    <template #actions>
      <button v-if="notice.current?.undo" class="k-quiet" type="button" @click="undo">Undo</button>
      <button class="k-quiet" type="button" @click="notice.current = null">Close</button>
    </template>
  </v-snackbar>
</template>

<style scoped>
.notice :deep(.v-snackbar__wrapper) {
  background: var(--ink);
  color: var(--paper);
  border-radius: 0;
  box-shadow: none;
  font: 400 15px/1.45 var(--sans);
  margin-bottom: var(--foot, 0);
}
.notice.problem :deep(.v-snackbar__wrapper) {
  background: var(--wrong);
}
.notice :deep(.v-snackbar__actions) {
  gap: 18px;
  margin-inline-end: 16px;
}
.notice button {
  color: inherit;
  font-weight: 600;
}
.notice button:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
}
</style>
