<script setup lang="ts">
import { computed } from 'vue'
import { useDesk } from './useDesk'

/** How much study material is wanted, and of what of the lecture. */
defineProps<{ counts?: number[]; what?: string }>()
const wanted = defineModel<{ count: number; chapter: number | null; ofMarks: boolean }>({ required: true })
const { transcript, marks } = useDesk()
const from = computed({
  get: () => (wanted.value.ofMarks ? 'marks' : String(wanted.value.chapter ?? 'all')),
  set: (value) =>
    (wanted.value = {
      ...wanted.value,
      ofMarks: value === 'marks',
      chapter: value === 'all' || value === 'marks' ? null : Number(value),
    }),
})
</script>

<template>
  <p class="wanted">
    <label v-if="counts">
      <span class="k-soft">{{ what }}</span>
      <select
        class="k-select"
        :value="wanted.count"
        @change="wanted = { ...wanted, count: Number(($event.target as HTMLSelectElement).value) }"
      >
        <option v-for="c in counts" :key="c" :value="c">{{ c }}</option>
      </select>
    </label>
    <label>
      <span class="k-soft">From</span>
      <select v-model="from" class="k-select">
        <option value="all">The whole lecture</option>
        <option v-if="marks.length" value="marks">What I marked</option>
        <option v-for="c in transcript.chapters" :key="c.startMs" :value="String(c.startMs)">{{ c.title }}</option>
      </select>
    </label>
  </p>
</template>

<style scoped>
.wanted {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 0;
}
</style>
