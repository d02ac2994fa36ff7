<script setup lang="ts">
import { computed } from 'vue'
import { api, must } from '@/api/client'
import { useLoaded } from '@/shared/useLoaded'
import { useDesk } from './useDesk'
import type { Wanted } from '@/features/sheets/wanted'

/** How much study material is wanted, and of what of the lecture. */
defineProps<{ counts?: number[]; what?: string }>()
const wanted = defineModel<Wanted>({ required: true })
const { lecture, transcript, marks } = useDesk()
const { value: subjects } = useLoaded(() =>
  must(api.GET('/api/lectures/{id}/subjects', { params: { path: { id: lecture.value.id } } })),
)
const from = computed({
  get: () =>
    wanted.value.subject !== null ? 'subject' : wanted.value.ofMarks ? 'marks' : String(wanted.value.chapter ?? 'all'),
  set: (value) =>
    (wanted.value = {
      ...wanted.value,
      ofMarks: value === 'marks',
      subject: value === 'subject' ? '' : null,
      chapter: ['all', 'marks', 'subject'].includes(value) ? null : Number(value),
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
        <option value="subject">One subject</option>
        <option v-for="c in transcript.chapters" :key="c.startMs" :value="String(c.startMs)">{{ c.title }}</option>
      </select>
    </label>
    <label v-if="wanted.subject !== null">
      <span class="k-soft">Which</span>
      <input
        :value="wanted.subject"
        class="subject"
        list="wanted-subjects"
        maxlength="200"
        autocomplete="off"
        required
        @input="wanted = { ...wanted, subject: ($event.target as HTMLInputElement).value }"
      />
      <datalist id="wanted-subjects">
        <option v-for="s in subjects ?? []" :key="s" :value="s" />
      </datalist>
    </label>
  </p>
</template>

<style scoped>
.wanted {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
}
label .k-soft {
  min-width: 52px;
}
.subject {
  min-width: 0;
  border-bottom: 1px solid var(--ink);
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 0;
}
</style>
