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
    :color="notice.current?.isProblem ? 'error' : 'on-background'"
    rounded="0"
    location="bottom left"
    @update:model-value="notice.current = null"
  >
    {{ notice.current?.text }}
    <template #actions>
      <v-btn v-if="notice.current?.undo" variant="text" color="surface" @click="undo">Undo</v-btn>
      <v-btn variant="text" color="surface" @click="notice.current = null">Close</v-btn>
    </template>
  </v-snackbar>
</template>
