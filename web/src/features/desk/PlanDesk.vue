<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Chapter } from '@/api/client'
import type { Wanted } from '@/features/lecture/usePlanned'
import ChapterPicture from '@/page/ChapterPicture.vue'
import { markKinds, markTitle } from '@/page/marks'
import { useNotice } from '@/shared/notice'
import { clock, duration, exactDuration } from '@/shared/time'
import { useRouter } from 'vue-router'
import { useDesk } from './useDesk'

const { lecture, transcript, marks, heard, player, planned, skips, hear, show } = useDesk()
const { chosen, measured, problem, has, toggle } = planned
const notice = useNotice()
const router = useRouter()
const minutes = ref<number | null>(null)
const speed = player.speed

const partOf = (c: Chapter): Wanted => ({ startMs: c.startMs, endMs: c.endMs, title: c.title })
const chapters = computed(() => transcript.value.chapters.map(partOf))
const marked = computed(() =>
  marks.value
    .filter((m) => m.kind !== 'label')
    .map((m) => ({
      mark: m,
      part: { startMs: m.startMs, endMs: Math.max(m.endMs, m.startMs + 1000), title: markTitle(m) },
    })),
)
const keysOf = (list: readonly Wanted[]) => new Set(list.map((p) => `${p.startMs}-${p.endMs}`))
const others = computed(() => {
  const known = keysOf([...chapters.value, ...marked.value.map((m) => m.part)])
  return chosen.value.filter((c) => !known.has(`${c.startMs}-${c.endMs}`))
})
const heardOf = (p: Wanted) =>
  heard.value.reduce((sum, h) => sum + Math.max(0, Math.min(h.endMs, p.endMs) - Math.max(h.startMs, p.startMs)), 0)
const isHeard = (p: Wanted) => heardOf(p) > 0.9 * (p.endMs - p.startMs)

const total = computed(() => {
  const parts = measured.value?.parts ?? []
  const all = parts.reduce((sum, p) => sum + p.endMs - p.startMs, 0)
  const quiet = parts.reduce((sum, p) => sum + p.quietMs, 0)
  return { all, quiet, takes: (all - (skips.value ? quiet : 0)) / speed.value }
})
const left = computed(() => {
  const parts = measured.value?.parts ?? []
  return parts.reduce((sum, p) => sum + (p.endMs - p.startMs) - heardOf({ ...p, title: '' }), 0) / speed.value
})

async function keep() {
  const kept = await notice.attempt(() => planned.keep())
  if (kept) void router.push({ name: 'plan', params: { id: kept.id } })
}
const propose = () => minutes.value && planned.propose(minutes.value, speed.value, skips.value)
watch(measured, (plan) => show(plan?.parts ?? []), { immediate: true })
</script>

<template>
  <div class="body">
    <form class="time" @submit.prevent="propose">
      <label>
        I have
        <input v-model.number="minutes" type="number" min="1" max="999" inputmode="numeric" aria-label="Minutes" />
        minutes
      </label>
      <button class="k-link" type="submit" :disabled="!minutes">Propose chapters</button>
    </form>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <h3>Chapters</h3>
    <ul class="choices">
      <li v-for="c in chapters" :key="c.startMs">
        <label>
          <input type="checkbox" :checked="has(c)" @change="toggle(c)" />
          <span v-if="lecture.hasPicture" class="picture">
            <ChapterPicture :lecture-id="lecture.id" :start-ms="c.startMs" />
          </span>
          <span>{{ c.title }} <small v-if="isHeard(c)" class="k-soft">heard</small></span>
        </label>
        <span class="k-soft k-time">{{ exactDuration(c.endMs - c.startMs) }}</span>
      </li>
    </ul>
    <template v-if="marked.length">
      <h3>Marks</h3>
      <ul class="choices">
        <li v-for="m in marked" :key="m.mark.id">
          <label>
            <input type="checkbox" :checked="has(m.part)" @change="toggle(m.part)" />
            <span>
              <span aria-hidden="true">{{ markKinds[m.mark.kind].sign }}</span> {{ m.part.title }}
              <small class="k-soft">{{ m.mark.quote.slice(0, 60) }}</small>
            </span>
          </label>
          <button
            class="k-link k-time"
            type="button"
            :aria-label="`Hear ${clock(m.part.startMs)}`"
            @click="hear(m.part.startMs)"
          >
            {{ clock(m.part.startMs) }}
          </button>
        </li>
      </ul>
    </template>
    <template v-if="others.length">
      <h3>Subjects and places</h3>
      <ul class="choices">
        <li v-for="c in others" :key="`${c.startMs}-${c.endMs}`">
          <label>
            <input type="checkbox" checked @change="planned.remove(c)" />
            <span>{{ c.title }}</span>
          </label>
          <span class="k-soft k-time">{{ exactDuration(c.endMs - c.startMs) }}</span>
        </li>
      </ul>
    </template>
  </div>
  <footer class="sum">
    <p role="status">
      <template v-if="measured?.parts.length">
        <b>{{ duration(total.takes) }}</b> instead of {{ duration(lecture.durationMs / speed) }}
        <small class="k-soft">
          at {{ speed === 1 ? 'the speed as spoken' : `${speed} times` }},
          {{
            skips
              ? 'silences passed over'
              : total.quiet > 3000
                ? `${duration(total.quiet)} of it silence`
                : 'whole sentences'
          }}
          <template v-if="left < total.all / speed - 1000"> · {{ duration(left) }} not heard yet</template>
        </small>
      </template>
      <span v-else class="k-soft">Tick what you want to hear.</span>
    </p>
    <div class="acts">
      <button
        v-if="lecture.hasSound"
        class="play"
        type="button"
        :disabled="!measured?.parts.length"
        @click="planned.isPlaying.value && player.isPlaying.value ? player.pause() : planned.play()"
      >
        {{ planned.isPlaying.value && player.isPlaying.value ? 'Pause' : 'Play the plan' }}
      </button>
      <button class="k-link" type="button" :disabled="!measured?.parts.length" @click="keep">Keep it</button>
      <button v-if="chosen.length" class="k-quiet" type="button" @click="planned.clear">Untick all</button>
    </div>
  </footer>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.time {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
}
.time input {
  width: 58px;
  margin: 0 6px;
  border-bottom: 1px solid var(--ink);
  font: 600 17px var(--serif);
  text-align: center;
  color: var(--ink);
}
.choices {
  list-style: none;
  padding: 0;
}
.choices li {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
  border-top: 1px solid var(--hair);
  padding: 6px 0;
}
label {
  display: flex;
  gap: 10px;
  align-items: baseline;
  cursor: pointer;
}
.time label {
  display: inline;
}
.picture {
  flex: none;
  width: 60px;
}
label:has(.picture) {
  align-items: center;
}
small {
  font-size: 13px;
}
.k-time {
  white-space: nowrap;
  font-size: 14px;
}
.sum {
  border-top: 1px solid var(--ink);
  padding: 10px 24px 12px;
}
.sum b {
  font: 600 18px var(--serif);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  margin-top: 6px;
}
.play {
  background: var(--act);
  color: rgb(var(--v-theme-on-primary));
  font-weight: 600;
  padding: 5px 13px;
}
.play:disabled {
  opacity: 0.5;
  cursor: default;
}
.problem {
  color: var(--wrong);
}
</style>
