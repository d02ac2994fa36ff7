<script setup lang="ts">
import { computed } from 'vue'
import type { Transcript } from '@/api/client'

const props = defineProps<{ transcript: Transcript; durationMs: number }>()

/** Who speaks when, a row a voice, as one line of a drawing: passages of one voice in a row are one stretch. */
const turns = computed(() => {
  const rows = new Map(props.transcript.speakers.map((s, i) => [s.id, i]))
  const found: { startMs: number; endMs: number; row: number; name: string }[] = []
  for (const p of props.transcript.passages) {
    const row = rows.get(p.speakerId) ?? 0
    const last = found.at(-1)
    if (last?.row === row) last.endMs = p.endMs
    else found.push({ startMs: p.startMs, endMs: p.endMs, row, name: props.transcript.speakers[row]?.name ?? '' })
  }
  return found
})
const share = (ms: number) => `${(Math.min(ms, props.durationMs) / props.durationMs) * 100}%`
</script>

<template>
  <div class="voices" :style="{ height: `${transcript.speakers.length * 7 + 8}px` }">
    <i
      v-for="(t, i) in turns"
      :key="i"
      :title="t.name"
      :style="{ left: share(t.startMs), width: share(t.endMs - t.startMs), top: `${t.row * 7 + 4}px` }"
    />
  </div>
</template>

<style scoped>
.voices {
  position: relative;
  border-top: 1px solid var(--hair);
  margin-top: 3px;
}
i {
  position: absolute;
  height: 4px;
  min-width: 2px;
  background: var(--soft);
}
</style>
