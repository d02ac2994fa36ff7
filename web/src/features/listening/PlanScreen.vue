<script setup lang="ts">
import { computed, toRef } from 'vue'
import { useRouter } from 'vue-router'
import { useLocalStorage } from '@vueuse/core'
import { api, must } from '@/api/client'
import { speeds } from '@/features/lecture/player'
import { onKey } from '@/shared/keys'
import { useNotice } from '@/shared/notice'
import { clock, count, duration, exactDuration } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import MiniStave from '@/stave/MiniStave.vue'
import { usePlanPlayer } from './usePlanPlayer'

const props = defineProps<{ id: string }>()
const router = useRouter()
const notice = useNotice()
const id = toRef(props, 'id')
const path = () => ({ params: { path: { plan: Number(id.value) } } })
const { value: plan, problem, load } = useLoaded(() => must(api.GET('/api/plans/{plan}', path())))
const speed = useLocalStorage('kostel.speed', 1)
const { part, atMs, isPlaying, problem: soundProblem, play, pause } = usePlanPlayer(plan, speed)
onKey(' ', () => (isPlaying.value ? pause() : void play()))

const parts = computed(() => plan.value?.parts ?? [])
const lengthMs = (p: { startMs: number; endMs: number }) => p.endMs - p.startMs
const total = computed(() => parts.value.reduce((sum, p) => sum + lengthMs(p), 0))
const before = computed(() => parts.value.slice(0, part.value).reduce((sum, p) => sum + lengthMs(p), 0))
const gone = computed(() => before.value + Math.max(0, atMs.value - (parts.value[part.value]?.startMs ?? 0)))
const lectures = computed(() => new Set(parts.value.map((p) => p.lectureId)).size)
const line = computed(() => {
  let at = 0
  return parts.value.map((p) => {
    const span = { startMs: at, endMs: at + lengthMs(p) - total.value * 0.002 }
    at += lengthMs(p)
    return span
  })
})

async function remove() {
  const title = plan.value?.title
  await notice.attempt(() => must(api.DELETE('/api/plans/{plan}', path())))
  void router.push({ name: 'today' })
  notice.tell(`The listening plan “${title}” is gone.`, () =>
    notice.attempt(() => must(api.POST('/api/plans/{plan}/restore', path()))),
  )
}
</script>

<template>
  <div class="k-column">
    <p class="k-soft kind">Listening plan</p>
    <h1>{{ plan?.title }}</h1>
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <template v-if="plan">
      <p v-if="!parts.length" class="k-soft">The lectures of this plan are not there any more.</p>
      <template v-else>
        <p class="k-facts k-soft">
          <span>{{ duration(total / speed) }} instead of {{ duration(plan.wholeMs / speed) }}</span>
          <span>{{ count(parts.length, 'part') }}</span>
          <span v-if="lectures > 1">{{ count(lectures, 'lecture') }}</span>
        </p>
        <MiniStave
          class="line"
          :duration-ms="total"
          :places="line"
          :heard="[{ startMs: 0, endMs: gone }]"
          :label="`${clock(gone)} of ${clock(total)}`"
        />
        <div class="player">
          <v-btn @click="isPlaying ? pause() : play()">
            {{ isPlaying ? 'Pause' : gone > 1000 ? 'Go on listening' : 'Listen' }}
          </v-btn>
          <label class="k-soft">
            <select v-model.number="speed" aria-label="Speed">
              <option v-for="s in speeds" :key="s" :value="s">{{ s === 1 ? 'as spoken' : `${s} times` }}</option>
            </select>
            · {{ duration((total - gone) / speed) }} left
          </label>
          <span class="acts">
            <a class="k-link" :href="`/api/plans/${plan.id}/sound`" download>Take away as one sound file</a>
            <button class="k-quiet" type="button" @click="remove">Delete</button>
          </span>
        </div>
        <p v-if="soundProblem" class="problem" role="alert">{{ soundProblem }}</p>
        <ol class="k-rows">
          <li
            v-for="(p, i) in parts"
            :key="`${p.lectureId}${p.startMs}`"
            :class="{ now: i === part }"
            :aria-current="i === part ? 'step' : undefined"
          >
            <button
              class="k-link"
              type="button"
              :disabled="!p.hasSound"
              :aria-label="`Listen to ${p.title}`"
              @click="play(i, p.startMs)"
            >
              {{ clock(p.startMs) }}
            </button>
            <div>
              <router-link
                :to="{ name: 'lecture', params: { id: p.lectureId }, query: { t: Math.ceil(p.startMs / 1000) } }"
                >{{ p.title }}</router-link
              >
              <div class="k-soft small">{{ p.lecture }}</div>
            </div>
            <span class="k-soft k-time">{{ exactDuration(lengthMs(p)) }}</span>
          </li>
        </ol>
      </template>
    </template>
  </div>
</template>

<style scoped>
.kind {
  font-size: 14px;
}
.line {
  margin: 14px 0;
}
.player {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
  align-items: center;
  margin-bottom: 20px;
}
.acts {
  display: flex;
  gap: 18px;
  margin-left: auto;
}
a.k-link {
  text-decoration: none;
}
select {
  color: var(--ink);
  background: transparent;
  border-bottom: 1px solid var(--hair);
  font: inherit;
}
option {
  color: #14242b;
}
li {
  display: grid;
  grid-template-columns: 58px 1fr max-content;
  align-items: baseline;
  padding: 9px 0;
}
li a:not(.v-btn) {
  font: 600 16px/1.4 var(--serif);
  color: var(--ink);
  text-decoration: none;
}
li a:hover {
  text-decoration: underline;
}
.now {
  background: linear-gradient(to right, var(--seawash), transparent);
}
.small {
  font-size: 14px;
}
.problem {
  color: var(--wrong);
}
</style>
