<script setup lang="ts">
import { computed } from 'vue'

/** A text with what was found in it set off. */
const props = defineProps<{ text: string; spans: readonly (readonly number[])[] }>()
const parts = computed(() => {
  const found: { text: string; isHit: boolean }[] = []
  let at = 0
  for (const [from = 0, to = 0] of props.spans) {
    if (from > at) found.push({ text: props.text.slice(at, from), isHit: false })
    found.push({ text: props.text.slice(from, to), isHit: true })
    at = to
  }
  return [...found, { text: props.text.slice(at), isHit: false }].filter((p) => p.text)
})
</script>

<template>
  <template v-for="(p, i) in parts" :key="i">
    <mark v-if="p.isHit">{{ p.text }}</mark>
    <template v-else>{{ p.text }}</template>
  </template>
</template>

<style scoped>
mark {
  background: var(--seawash);
  color: inherit;
  border-bottom: 2px solid var(--sea);
}
</style>
