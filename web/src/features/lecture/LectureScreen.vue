<script setup lang="ts">
import { computed, ref, toRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ReadingPage from '@/page/ReadingPage.vue'
import StaveBand from '@/stave/StaveBand.vue'
import WorkBar from '@/shared/WorkBar.vue'
import DeskPanel from '@/features/desk/DeskPanel.vue'
import { isDeskWork, type DeskWork } from '@/features/desk/works'
import { onKey } from '@/shared/keys'
import { count, day, duration, indexAt } from '@/shared/time'
import SpeakersSheet from './SpeakersSheet.vue'
import TranscribeAgain from './TranscribeAgain.vue'
import PlayControls from './PlayControls.vue'
import MarginNotes from './MarginNotes.vue'
import { usePlayer } from './player'
import { useLecture } from './useLecture'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const { lecture, transcript, peaks, problem, isGone, durationMs, load } = useLecture(toRef(props, 'id'))
const player = usePlayer()
const { timeMs, isPlaying } = player
const page = ref<InstanceType<typeof ReadingPage>>()
const evidence = ref<{ startMs: number; endMs: number }[]>([])
const markedMs = ref<number | null>(null)
const pictureSize = ref<'small' | 'large' | 'hidden'>('small')

const isAsking = ref(false)
const naming = ref<{ speakerId: string | null } | null>(null)

const desk = computed<DeskWork | null>(() => (isDeskWork(route.query.desk) ? route.query.desk : null))
const open = (work: DeskWork | null) => router.replace({ query: { ...route.query, desk: work ?? undefined } })
watch(desk, () => (evidence.value = []))

function hear(ms: number) {
  markedMs.value = null
  player.playFrom(ms)
}

/** Plays a source and shows it on the page. */
function hearSource(ms: number) {
  markedMs.value = ms
  player.playFrom(ms)
  void page.value?.bring(ms)
}

function jump(starts: readonly number[], step: number) {
  const now = indexAt(starts, timeMs.value)
  const isWellIn = timeMs.value - (starts[now] ?? 0) > 1200
  const to = starts[Math.max(0, step < 0 && isWellIn ? now : now + step)]
  if (to === undefined) return
  player.seek(to)
  void page.value?.bring(to)
}
const sentence = (step: number) => jump(transcript.value?.sentenceStartsMs ?? [], step)
const chapter = (step: number) => jump(transcript.value?.chapters.map((c) => c.startMs) ?? [], step)

// A link to a lecture at a second opens there.
const askedMs = computed(() => Math.round(Number(route.query.t ?? 0) * 1000))
watch(
  [transcript, askedMs],
  ([t, ms], [earlier, before]) => {
    if (!t || !ms || Number.isNaN(ms) || (earlier && before === ms)) return
    player.seek(ms)
    markedMs.value = ms
    setTimeout(() => page.value?.bring(ms), 60)
  },
  { flush: 'post' },
)

onKey(' ', player.toggle)
onKey('b', () => sentence(-1))
onKey('n', () => sentence(1))
onKey('B', () => chapter(-1))
onKey('N', () => chapter(1))
onKey('s', () => player.changeSpeed(-1))
onKey('f', () => player.changeSpeed(1))
onKey('a', () => open('ask'))
onKey('u', () => open('summary'))
onKey('c', () => open('cards'))
onKey('q', () => open('quiz'))
onKey('Escape', () => open(null))
</script>

<template>
  <div v-if="problem && !lecture" class="k-column">
    <h1>{{ isGone ? 'This lecture is not here' : 'The lecture could not be opened' }}</h1>
    <p>{{ problem }}</p>
    <p>
      <router-link v-if="isGone" :to="{ name: 'library' }">Look in the library or its bin</router-link>
      <button v-else class="k-link" type="button" @click="load">Try again</button>
    </p>
  </div>
  <div v-else-if="lecture" class="lecture" :class="{ withdesk: desk }">
    <div class="reading" @scroll.passive="page?.scrolled()">
      <div class="text">
        <h1>{{ lecture.title }}</h1>
        <div class="facts k-soft">
          <span v-if="lecture.course">{{ lecture.course }}</span>
          <span v-if="lecture.heldOn">{{ day(lecture.heldOn) }}</span>
          <span v-if="lecture.durationMs">{{ duration(lecture.durationMs) }}</span>
          <span>{{ lecture.language.name }}{{ lecture.languageIsGuessed ? ', by its sound' : '' }}</span>
          <span v-if="transcript?.isWhole && transcript.passages.length">
            <button class="k-quiet" type="button" @click="naming = { speakerId: null }">
              {{ count(transcript.speakers.length, 'voice') }}
            </button>
          </span>
          <span v-if="transcript?.isWhole">
            <button class="k-quiet" type="button" @click="isAsking = true">Transcribe again</button>
          </span>
        </div>
        <div v-if="transcript?.passages.length" class="works">
          <button class="k-link" type="button" @click="open('ask')">Ask</button>
          <button class="k-link" type="button" @click="open('summary')">Summary</button>
          <template v-if="lecture.makesCards">
            <button class="k-link" type="button" @click="open('cards')">Cards</button>
            <button class="k-link" type="button" @click="open('quiz')">Quiz</button>
          </template>
        </div>
        <WorkBar v-if="lecture.work" class="bar" :work="lecture.work" />
        <p v-if="lecture.notice" class="notice">{{ lecture.notice }}</p>
        <p v-if="transcript && !transcript.passages.length && lecture.work?.state === 'running'" class="k-soft">
          The first words appear here in a moment.
        </p>
        <ReadingPage
          v-if="transcript"
          ref="page"
          :transcript="transcript"
          :language="lecture.language.code"
          :time-ms="timeMs"
          :is-playing="isPlaying"
          :marked-ms="markedMs"
          @hear="hear"
          @name="naming = { speakerId: $event }"
        />
      </div>
      <div class="margin">
        <div v-if="lecture.hasPicture" class="picture" :class="pictureSize">
          <video
            :ref="(e) => player.attach(e as HTMLMediaElement | null)"
            :src="`/api/lectures/${id}/media`"
            preload="metadata"
            @click="player.toggle"
          />
          <div class="sizes">
            <button v-if="pictureSize !== 'large'" class="k-quiet" type="button" @click="pictureSize = 'large'">
              Larger
            </button>
            <button v-if="pictureSize !== 'small'" class="k-quiet" type="button" @click="pictureSize = 'small'">
              {{ pictureSize === 'hidden' ? 'Show the picture' : 'Smaller' }}
            </button>
            <button v-if="pictureSize !== 'hidden'" class="k-quiet" type="button" @click="pictureSize = 'hidden'">
              Hide
            </button>
          </div>
        </div>
        <audio
          v-else
          :ref="(e) => player.attach(e as HTMLMediaElement | null)"
          :src="`/api/lectures/${id}/media`"
          preload="metadata"
        />
        <MarginNotes
          v-if="!desk && lecture.makesCards"
          :lecture="lecture"
          :is-ready="Boolean(transcript?.isWhole && transcript.passages.length)"
          @open="open"
        />
      </div>
    </div>
    <DeskPanel
      v-if="desk && transcript"
      :key="id"
      class="desk"
      :work="desk"
      :lecture="lecture"
      :is-ready="transcript.isWhole && transcript.passages.length > 0"
      @close="open(null)"
      @open="open"
      @hear="hearSource"
      @evidence="evidence = $event"
    />
    <SpeakersSheet
      v-if="naming && transcript"
      :lecture="lecture"
      :transcript="transcript"
      :speaker-id="naming.speakerId"
      @closed="naming = null"
      @changed="load"
    />
    <TranscribeAgain v-if="isAsking" :lecture="lecture" @closed="isAsking = false" @begun="load" @replaced="load" />
    <footer class="foot">
      <PlayControls :player="player" :duration-ms="durationMs" @sentence="sentence" />
      <StaveBand
        :duration-ms="durationMs"
        :time-ms="timeMs"
        :chapters="transcript?.chapters ?? []"
        :peaks="peaks"
        :spans="evidence"
        :transcript="transcript"
        @seek="player.seek"
      />
    </footer>
  </div>
</template>

<style scoped src="./lecture.css"></style>
