<script setup lang="ts">
import { computed } from 'vue'
import type { SearchHit, SearchLecture } from '@/api/client'
import { clock, count, day } from '@/shared/time'
import MiniStave from '@/stave/MiniStave.vue'
import FoundText from './FoundText.vue'
import { byNames, kindNames } from './hitNames'

const props = defineProps<{ lecture: SearchLecture; playing: string | null; isAlone: boolean }>()
const emit = defineEmits<{ play: [hit: SearchHit]; all: [] }>()
const places = computed(() => props.lecture.places.map((p) => ({ ...p, isFaint: p.by !== 'words' })))
const link = (hit: SearchHit) => ({
  name: 'lecture',
  params: { id: props.lecture.id },
  query: {
    ...(hit.startMs > 0 ? { t: Math.floor(hit.startMs / 1000) } : {}),
    ...(hit.kind === 'card' ? { desk: 'cards' } : hit.kind === 'summary' ? { desk: 'summary' } : {}),
    ...(hit.kind === 'sheet' ? { desk: 'sheets', sheet: hit.ref } : {}),
    ...(hit.kind === 'question' || hit.kind === 'thread'
      ? { desk: 'ask', thread: String(hit.thread ?? '') }
      : hit.kind === 'mark'
        ? { desk: 'marks' }
        : {}),
  },
})
const isPlaying = (hit: SearchHit) => props.playing === `${props.lecture.id}-${hit.startMs}`
const canPlay = (hit: SearchHit) => props.lecture.hasSound && hit.endMs > hit.startMs
const more = computed(() => props.lecture.hitCount - props.lecture.hits.length)
</script>

<template>
  <section class="found" :aria-label="lecture.title">
    <div class="head">
      <h2>
        <router-link :to="{ name: 'lecture', params: { id: lecture.id } }">{{ lecture.title }}</router-link>
      </h2>
      <div class="k-facts k-soft">
        <span v-if="lecture.course">{{ lecture.course }}</span>
        <span v-if="lecture.heldOn">{{ day(lecture.heldOn) }}</span>
        <span>{{ count(lecture.hitCount, 'place') }}</span>
      </div>
    </div>
    <MiniStave
      v-if="lecture.durationMs && places.length"
      :duration-ms="lecture.durationMs"
      :places="places"
      :label="`Where in ${lecture.title}: ${count(places.length, 'place')}`"
    />
    <ul>
      <li v-for="hit in lecture.hits" :key="`${hit.kind}${hit.ref}`">
        <button
          v-if="canPlay(hit)"
          class="k-link k-time"
          type="button"
          :aria-label="isPlaying(hit) ? 'Stop' : `Hear ${clock(hit.startMs)}`"
          @click="emit('play', hit)"
        >
          {{ isPlaying(hit) ? 'Stop' : clock(hit.startMs) }}
        </button>
        <span v-else class="k-soft k-time">{{ hit.endMs > hit.startMs ? clock(hit.startMs) : '' }}</span>
        <router-link class="hit" data-hit :to="link(hit)">
          <span v-if="hit.kind !== 'passage'" class="kind">{{ kindNames[hit.kind] }}</span>
          <span v-if="hit.speaker" class="kind">{{ hit.speaker }}</span>
          <span :class="{ said: hit.kind === 'passage' }"><FoundText :text="hit.text" :spans="hit.spans" /></span>
          <small v-if="byNames[hit.by]">{{ byNames[hit.by] }}</small>
        </router-link>
      </li>
    </ul>
    <button v-if="more > 0 && !isAlone" class="k-link more" type="button" @click="emit('all')">
      {{ count(more, 'more place') }} in this lecture
    </button>
    <p v-else-if="more > 0" class="k-soft more">{{ count(more, 'weaker place') }} more; add a word to narrow it.</p>
  </section>
</template>

<style scoped>
.found {
  margin-top: 30px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 2px 24px;
  margin-bottom: 4px;
}
h2 a:not(.v-btn) {
  color: var(--ink);
  text-decoration: none;
}
h2 a:hover {
  text-decoration: underline;
  text-decoration-color: var(--act);
  text-underline-offset: 4px;
}
.k-facts {
  font-size: 14px;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 58px 1fr;
  align-items: baseline;
  padding: 9px 0;
  border-bottom: 1px solid var(--hair);
}
.hit:not(.v-btn) {
  color: var(--ink);
  text-decoration: none;
  overflow-wrap: anywhere;
  min-width: 0;
}
.hit:hover {
  background: color-mix(in srgb, var(--sheet) 70%, transparent);
}
.said {
  font: 400 16px/1.5 var(--serif);
}
.kind {
  font-size: 13px;
  font-weight: 600;
  color: var(--soft);
  margin-right: 10px;
}
small {
  display: block;
  font: 400 13px var(--sans);
  color: var(--soft);
}
.more {
  margin-top: 8px;
  font-size: 14px;
}
</style>
