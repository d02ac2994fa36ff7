<script setup lang="ts">
import type { Chapter, Mark } from '@/api/client'
import { markTitle } from '@/page/marks'
import { clock } from '@/shared/time'
import type { Stretch } from './paint'

/** What the stave draws, as a list: for whoever reads with a screen reader or goes by the Tab key. It is seen while it has the focus. */
defineProps<{ chapters: readonly Chapter[]; marks: readonly Mark[]; places: readonly Stretch[]; placesName: string }>()
defineEmits<{ seek: [ms: number] }>()
</script>

<template>
  <details class="parts">
    <summary>The stave as a list</summary>
    <h3>Chapters</h3>
    <ol>
      <li v-for="c in chapters" :key="c.startMs">
        <button type="button" @click="$emit('seek', c.startMs)">{{ clock(c.startMs) }} {{ c.title }}</button>
      </li>
    </ol>
    <template v-if="marks.length">
      <h3>Marks</h3>
      <ol>
        <li v-for="m in marks" :key="m.id">
          <button type="button" @click="$emit('seek', m.startMs)">{{ clock(m.startMs) }} {{ markTitle(m) }}</button>
        </li>
      </ol>
    </template>
    <template v-if="places.length">
      <h3>{{ placesName }}</h3>
      <ol>
        <li v-for="p in places" :key="p.startMs">
          <button type="button" @click="$emit('seek', p.startMs)">
            {{ clock(p.startMs) }} to {{ clock(p.endMs) }}
          </button>
        </li>
      </ol>
    </template>
  </details>
</template>

<style scoped>
.parts {
  position: absolute;
  left: -9999px;
}
.parts:focus-within {
  left: 10px;
  bottom: 100%;
  z-index: 6;
  max-height: 50vh;
  overflow-y: auto;
  background: var(--sheet);
  border: 1px solid var(--ink);
  padding: 10px 16px;
}
ol {
  padding-left: 18px;
}
h3 {
  font: 600 14px var(--sans);
  margin-top: 6px;
}
</style>
