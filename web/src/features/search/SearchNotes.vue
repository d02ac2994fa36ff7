<script setup lang="ts">
import { computed } from 'vue'
import type { SearchView } from '@/api/client'

/** What was taken for the words that were typed, where it is something else. */
const props = defineProps<{ found: SearchView }>()
const notes = computed(() =>
  props.found.taken.map((t) => {
    const words = t.words.slice(0, 4).join(', ')
    return t.how === 'spelledAlike'
      ? `“${t.asked}” stands nowhere; looked for ${words} instead.`
      : `“${t.asked}” may have been misheard: looked for ${words} too.`
  }),
)
</script>

<template>
  <p v-for="note in notes" :key="note" class="k-soft note">{{ note }}</p>
</template>

<style scoped>
.note {
  font-size: 14px;
}
</style>
