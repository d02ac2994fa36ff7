<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useTheme } from 'vuetify'
import type { Chapter, Mark, Transcript } from '@/api/client'
import { clock } from '@/shared/time'
import MarkLane from './MarkLane.vue'
import VoiceLane from './VoiceLane.vue'
import { columnsOf, ticks } from './ticks'

const props = defineProps<{
  durationMs: number
  timeMs: number
  chapters: Chapter[]
  peaks: Uint8Array
  spans: readonly { startMs: number; endMs: number }[]
  /** What the spans are. */
  spansName: string
  marks: readonly Mark[]
  loop: { startMs: number; endMs: number } | null
  transcript: Transcript | null
}>()
const emit = defineEmits<{ seek: [ms: number] }>()

const soundHeight = 46
const quietBelow = 24
const stepMs = 5000
const band = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const { width } = useElementSize(band)
const theme = useTheme()
const hoverMs = ref<number | null>(null)
const isDragging = ref(false)

const x = (ms: number) => `${(Math.min(ms, props.durationMs) / props.durationMs) * 100}%`
const w = (from: number, to: number) => `${((Math.min(to, props.durationMs) - from) / props.durationMs) * 100}%`
const hasVoices = computed(() => (props.transcript?.speakers.length ?? 0) > 1)
const voicesHeight = computed(() => `${(props.transcript?.speakers.length ?? 0) * 7 + 12}px`)
const axis = computed(() => ticks(props.durationMs, width.value || 900))
const bars = computed(() => columnsOf(props.peaks, Math.max(1, Math.floor(width.value / 2)), quietBelow))
const loudest = computed(() => Math.max(1, ...bars.value))

function draw() {
  const target = canvas.value
  const context = target?.getContext('2d')
  if (!target || !context || width.value === 0) return
  const scale = devicePixelRatio || 1
  target.width = Math.round(width.value * scale)
  target.height = Math.round(soundHeight * scale)
  context.scale(scale, scale)
  context.clearRect(0, 0, width.value, soundHeight)
  const colour = (name: string) => String(theme.current.value.colors[name] ?? '#000')
  const played = (props.timeMs / props.durationMs) * width.value
  const step = width.value / bars.value.length
  bars.value.forEach((loud, i) => {
    const at = i * step
    context.fillStyle = colour(at < played ? 'on-background' : 'faint')
    const height = loud === 0 ? 1 : 2 + Math.min(1, (loud / loudest.value) ** 2) * (soundHeight - 4)
    context.fillRect(at, (soundHeight - height) / 2, Math.max(1, step - 1), height)
  })
}

watch(
  [bars, () => Math.round(((props.timeMs / props.durationMs) * width.value) / 2), () => theme.global.name.value],
  draw,
)
onMounted(draw)

function msAt(event: PointerEvent) {
  const box = band.value?.getBoundingClientRect()
  if (!box) return 0
  return Math.round(Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * props.durationMs)
}

function down(event: PointerEvent) {
  isDragging.value = true
  emit('seek', msAt(event))
}
function move(event: PointerEvent) {
  hoverMs.value = msAt(event)
  if (isDragging.value) emit('seek', hoverMs.value)
}
useEventListener('pointerup', () => (isDragging.value = false))

function key(event: KeyboardEvent) {
  const steps: Record<string, number> = {
    ArrowLeft: props.timeMs - stepMs,
    ArrowRight: props.timeMs + stepMs,
    PageUp: props.timeMs - 6 * stepMs,
    PageDown: props.timeMs + 6 * stepMs,
    Home: 0,
    End: props.durationMs,
  }
  const to = steps[event.key]
  if (to === undefined) return
  event.preventDefault()
  emit('seek', Math.min(props.durationMs, Math.max(0, to)))
}
</script>

<template>
  <div class="stave">
    <div class="names" aria-hidden="true">
      <span>Chapters</span><span class="sound-name">Sound</span>
      <span v-if="hasVoices" class="voices-name" :style="{ height: voicesHeight }">Voices</span>
      <span v-if="marks.length" class="marks-name">Marks</span>
      <span v-if="spans.length">{{ spansName }}</span>
    </div>
    <div
      ref="band"
      class="band"
      role="slider"
      tabindex="0"
      aria-label="Time in the lecture"
      :aria-valuemin="0"
      :aria-valuemax="Math.round(durationMs / 1000)"
      :aria-valuenow="Math.round(timeMs / 1000)"
      :aria-valuetext="`${clock(timeMs)} of ${clock(durationMs)}`"
      @pointerdown="down"
      @pointermove="move"
      @pointerleave="hoverMs = null"
      @keydown="key"
    >
      <div class="chapters">
        <div
          v-for="(c, i) in chapters"
          :key="i"
          class="chapter"
          :class="{ here: timeMs >= c.startMs && timeMs < c.endMs }"
          :style="{ left: x(c.startMs), width: w(c.startMs, c.endMs) }"
          :title="c.title"
        >
          {{ c.title }}
        </div>
        <div class="heard" :style="{ width: x(timeMs) }" />
      </div>
      <canvas ref="canvas" class="sound" :style="{ height: `${soundHeight}px` }" />
      <VoiceLane v-if="hasVoices && transcript" :transcript="transcript" :duration-ms="durationMs" />
      <MarkLane v-if="marks.length" :marks="marks" :duration-ms="durationMs" />
      <div v-if="spans.length" class="spans" :data-spans="spans.length">
        <div
          v-for="(s, i) in spans"
          :key="i"
          class="span"
          :style="{ left: x(s.startMs), width: w(s.startMs, s.endMs) }"
        />
      </div>
      <div v-for="(c, i) in chapters.slice(1)" :key="`line${i}`" class="edge" :style="{ left: x(c.startMs) }" />
      <div class="axis">
        <span v-for="t in axis" :key="t" class="k-time" :style="{ left: x(t) }">{{ clock(t) }}</span>
      </div>
      <div v-if="hoverMs !== null" class="hover k-time" :style="{ left: x(hoverMs) }">{{ clock(hoverMs) }}</div>
      <div v-if="loop" class="loop" :style="{ left: x(loop.startMs), width: w(loop.startMs, loop.endMs) }" />
      <div class="playhead" :style="{ left: x(timeMs) }" />
    </div>
  </div>
</template>

<style scoped src="./stave.css"></style>
