<script setup lang="ts">
import { computed, watch } from 'vue'
import { api, must, type Accuracy } from '@/api/client'
import type { Spoken } from './SpokenChoice.vue'
import { useLoaded } from './useLoaded'

/** How carefully something is written down, and with which recogniser where the person has one of their own. */
const accuracy = defineModel<Accuracy>({ required: true })
const spoken = defineModel<Spoken>('spoken', { required: true })
const { value: known } = useLoaded(() => must(api.GET('/api/languages')))
const mark = 'own '
const own = computed(() =>
  (known.value?.own ?? []).filter((m) => !spoken.value.language || m.language.code === spoken.value.language),
)
const chosen = computed({
  get: () => (spoken.value.model === null ? accuracy.value : mark + spoken.value.model),
  set: (value: string) => {
    const model = value.startsWith(mark) ? value.slice(mark.length) : null
    accuracy.value = value === 'fast' ? 'fast' : 'accurate'
    spoken.value = { ...spoken.value, model }
  },
})

// A recogniser that is gone, or hears another language than the one that is chosen now, is let go.
watch([own, known], () => {
  if (known.value && spoken.value.model !== null && !own.value.some((m) => m.name === spoken.value.model))
    spoken.value = { ...spoken.value, model: null }
})
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
    <v-radio v-for="m in own" :key="m.name" :value="mark + m.name">
      <template #label>
        <span
          ><b>{{ m.name }}</b
          >: your own for {{ m.language.name }}</span
        >
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
