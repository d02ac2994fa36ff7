<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, must, says, type Subject } from '@/api/client'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { clock, count, duration } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import { useDesk } from './useDesk'

const { lecture, version, hear, show, planned, open } = useDesk()
const route = useRoute()
const [latest, latestSuggested] = [useLatest(), useLatest()]
const field = ref<HTMLInputElement>()
const text = ref(typeof route.query.about === 'string' ? route.query.about : '')
const found = shallowRef<Subject | null>(null)
const suggested = ref<string[]>([])
const problem = ref('')
const isLooking = ref(false)
const path = () => ({ id: lecture.value.id })

const suggest = () =>
  latestSuggested(
    () => must(api.GET('/api/lectures/{id}/subjects', { params: { path: path() } })),
    (subjects) => (suggested.value = subjects),
    () => undefined,
  )

async function find() {
  const subject = text.value.trim()
  if (!subject) {
    found.value = null
    return
  }
  isLooking.value = true
  await latest(
    () => must(api.GET('/api/lectures/{id}/subjects/places', { params: { path: path(), query: { subject } } })),
    (view) => {
      found.value = view
      problem.value = ''
      isLooking.value = false
    },
    (e) => {
      problem.value = says(e)
      isLooking.value = false
    },
  )
}

function pick(subject: string) {
  text.value = subject
  void find()
}

const places = computed(() => found.value?.places ?? [])
const takesMs = computed(() => places.value.reduce((sum, p) => sum + p.endMs - p.startMs, 0))
const parts = () =>
  places.value.map((p) => ({
    startMs: p.startMs,
    endMs: p.endMs,
    title: `${found.value?.subject} · ${clock(p.startMs)}`,
  }))
function plan() {
  planned.add(parts())
  open('plan')
}
watch(places, (p) => show(p), { immediate: true })
watch(version, () => Promise.all([suggest(), find()]))
onMounted(() => {
  field.value?.focus({ preventScroll: true })
  void suggest()
  void find()
})
</script>

<template>
  <div class="body">
    <form class="asked" @submit.prevent="find">
      <input
        ref="field"
        v-model="text"
        maxlength="200"
        placeholder="What it is about"
        aria-label="A subject to look for in this lecture"
      />
      <button class="k-link" type="submit" :disabled="!text.trim()">Show</button>
    </form>
    <div v-if="suggested.length" class="suggested" role="group" aria-label="Subjects of this lecture">
      <button
        v-for="s in suggested"
        :key="s"
        class="k-quiet"
        type="button"
        :aria-pressed="found?.subject === s"
        @click="pick(s)"
      >
        {{ s }}
      </button>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="isLooking && !found" class="k-soft lead" role="status">Looking …</p>
    <p v-else-if="!found" class="k-soft lead">
      Name a subject, and the places that speak of it light up on the stave: the more it is about it, the taller. Other
      words for it count too.
    </p>
    <template v-else>
      <p class="k-soft sum" role="status">
        <template v-if="places.length">
          {{ count(places.length, 'place') }}, {{ duration(takesMs) }} of {{ duration(lecture.durationMs) }}
        </template>
        <template v-else>Nothing here speaks of that.</template>
        <template v-if="!found.byMeaning"> By its words alone: other words for it are not known yet.</template>
      </p>
      <div v-if="places.length" class="acts">
        <button v-if="lecture.hasSound" class="k-link" type="button" @click="planned.play(parts())">
          Play just these
        </button>
        <button class="k-link" type="button" @click="plan">Into the listening plan</button>
        <button class="k-link" type="button" @click="open('ask', `What is said about ${found.subject}?`)">
          Ask about it
        </button>
      </div>
      <ul class="lines">
        <EvidenceLine v-for="p in places" :key="p.startMs" :evidence="{ startMs: p.startMs }" @hear="hear">
          <div>
            <span class="strength" :style="{ width: `${Math.round(p.strength * 100)}%` }" aria-hidden="true" />
            <span class="said">{{ p.text }}</span>
            <small>{{ p.chapter }}{{ p.hasWord ? '' : ' · in other words' }}</small>
          </div>
        </EvidenceLine>
      </ul>
    </template>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.asked {
  display: flex;
  gap: 14px;
  border-bottom: 1px solid var(--ink);
  margin-bottom: 8px;
}
.asked input {
  flex: 1;
  min-width: 0;
  font: 400 17px/1.7 var(--serif);
  color: var(--ink);
  background: none;
  border: 0;
  outline: none;
}
.asked:focus-within {
  border-color: var(--act);
}
.asked input::placeholder {
  color: var(--soft);
  opacity: 1;
}
.suggested,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}
.suggested button[aria-pressed='true'] {
  color: var(--ink);
  text-decoration: underline;
  text-decoration-color: var(--sea);
  text-decoration-thickness: 2px;
  text-underline-offset: 4px;
}
.lead,
.sum {
  margin-top: 10px;
}
.acts {
  margin: 4px 0 10px;
}
.said {
  display: -webkit-box;
  -webkit-line-clamp: 5;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.strength {
  display: block;
  height: 3px;
  background: var(--sea);
  margin-bottom: 4px;
}
small {
  display: block;
  font: 400 13px var(--sans);
  color: var(--soft);
}
.problem {
  color: var(--wrong);
}
</style>
