<script setup lang="ts">
import { useElementSize, useEventListener, useMediaQuery } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, toRef, watch } from 'vue'
import { useTheme } from 'vuetify'
import type { Chapter, Mark, Transcript } from '@/api/client'
import { clock, indexAt } from '@/shared/time'
import { heightOf, lanesFor } from './lanes'
import { paint, type Scene, type Stretch } from './paint'
import StaveParts from './StaveParts.vue'
import { useSound } from './useSound'
import { useStavePointer } from './useStavePointer'
import { follow, isWhole, lengthOf, pan, showing, whole, zoom, type View } from './view'

const props = defineProps<{
  lectureId: string
  durationMs: number
  timeMs: number
  isPlaying: boolean
  chapters: Chapter[]
  heard: readonly Stretch[]
  places: readonly Stretch[]
  /** What the places are. */
  placesName: string
  marks: readonly Mark[]
  plan: readonly Stretch[]
  loop: Stretch | null
  transcript: Transcript | null
  canEdit: boolean
}>()
const emit = defineEmits<{ seek: [ms: number]; moveChapter: [startMs: number, passageId: string] }>()
const selected = defineModel<Stretch | null>('selected', { required: true })

const stepMs = 5000
const band = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const { width } = useElementSize(band)
const theme = useTheme()
const isLow = useMediaQuery('(max-width: 620px)')
const view = shallowRef<View>(whole(props.durationMs))
const sound = useSound(toRef(props, 'lectureId'), view, width)
watch(
  () => [props.lectureId, props.durationMs] as const,
  ([, length]) => {
    view.value = whole(length)
    // A recording that has only now arrived had no sound to draw before.
    if (!sound.isComing.value && !sound.overview.value?.loudness.length) void sound.load()
  },
)

const lanes = computed(() =>
  lanesFor(
    {
      voices: props.transcript?.speakers.length ?? 0,
      marks: props.marks.length > 0,
      places: props.places.length ? props.placesName : '',
    },
    isLow.value,
  ),
)
const height = computed(() => heightOf(lanes.value))
const footTop = computed(() => lanes.value.at(-1)?.top ?? 0)
const loudest = computed(() => {
  const loud = [...(sound.overview.value?.loudness ?? [])].filter((l) => l > 0).sort((a, b) => a - b)
  return Math.max(1, loud[Math.floor(loud.length * 0.97)] ?? 1)
})

/** Who speaks when, a row a voice; passages of one voice in a row are one stretch. */
const turns = computed(() => {
  const rows = new Map((props.transcript?.speakers ?? []).map((s, i) => [s.id, i]))
  const found: (Stretch & { row: number })[] = []
  for (const p of props.transcript?.passages ?? []) {
    const row = rows.get(p.speakerId) ?? 0
    const last = found.at(-1)
    if (last?.row === row) last.endMs = p.endMs
    else found.push({ startMs: p.startMs, endMs: p.endMs, row })
  }
  return found
})
const chapterAt = computed(() =>
  indexAt(
    props.chapters.map((c) => c.startMs),
    props.timeMs,
  ),
)

const pointer = useStavePointer({
  band,
  view,
  lanes,
  durationMs: toRef(props, 'durationMs'),
  chapters: toRef(props, 'chapters'),
  transcript: toRef(props, 'transcript'),
  canEdit: toRef(props, 'canEdit'),
  selected,
  seek: (ms) => emit('seek', ms),
  moveChapter: (startMs, passageId) => emit('moveChapter', startMs, passageId),
})

/** Drawn at most once a frame, and only when something it shows has changed. */
let asked = 0
function draw() {
  asked = 0
  const target = canvas.value
  const context = target?.getContext('2d')
  if (!target || !context || width.value === 0) return
  const scale = devicePixelRatio || 1
  const [w, h] = [Math.round(width.value * scale), Math.round(height.value * scale)]
  if (target.width !== w || target.height !== h) Object.assign(target, { width: w, height: h })
  context.setTransform(scale, 0, 0, scale, 0, 0)
  context.clearRect(0, 0, width.value, height.value)
  const colours = theme.current.value.colors
  const scene: Scene = {
    view: view.value,
    durationMs: props.durationMs,
    lanes: lanes.value,
    chapters: props.chapters,
    chapterAt: chapterAt.value,
    sound: sound.partFor(view.value),
    soundIsComing: sound.isComing.value,
    loudest: loudest.value,
    heard: props.heard,
    turns: turns.value,
    marks: props.marks,
    places: props.places,
    plan: props.plan,
    selected: selected.value,
    loop: props.loop,
    movedEdge: pointer.movedEdge.value,
    words: props.transcript,
  }
  paint(context, width.value, scene, (name) => String(colours[name] ?? '#000'))
}
const drawSoon = () => (asked ||= requestAnimationFrame(draw))
watch(
  [
    view,
    width,
    height,
    lanes,
    chapterAt,
    sound.overview,
    sound.detail,
    sound.isComing,
    turns,
    selected,
    pointer.movedEdge,
    () => [props.chapters, props.heard, props.marks, props.places, props.plan, props.loop, props.transcript],
    () => theme.global.name.value,
  ],
  drawSoon,
)
onMounted(() => {
  drawSoon()
  // Letters are measured again once their own are there.
  void document.fonts.ready.then(drawSoon)
})
onBeforeUnmount(() => cancelAnimationFrame(asked))
watch(
  () => props.timeMs,
  (ms) => {
    if (props.isPlaying && !pointer.isBusy.value) view.value = follow(view.value, ms, props.durationMs)
  },
)

const at = (ms: number) => ((ms - view.value.fromMs) / lengthOf(view.value)) * width.value
const isShown = (ms: number) => ms >= view.value.fromMs && ms <= view.value.toMs
const closer = (times: number, aroundMs = props.timeMs) => {
  const around = isShown(aroundMs) ? aroundMs : (view.value.fromMs + view.value.toMs) / 2
  view.value = zoom(view.value, times, around, props.durationMs)
}
const all = () => (view.value = whole(props.durationMs))

function wheel(event: WheelEvent) {
  event.preventDefault()
  const along = event.shiftKey ? event.deltaY : event.deltaX
  if (Math.abs(along) > Math.abs(event.shiftKey ? 0 : event.deltaY)) {
    view.value = pan(view.value, (along / Math.max(1, width.value)) * lengthOf(view.value), props.durationMs)
  } else {
    view.value = zoom(view.value, Math.exp(event.deltaY * 0.0022), pointer.msAt(event), props.durationMs)
  }
}
useEventListener(band, 'wheel', wheel, { passive: false })

function key(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const step = Math.min(stepMs, lengthOf(view.value) / 40)
  const to: Record<string, number> = {
    ArrowLeft: props.timeMs - (isWhole(view.value, props.durationMs) ? stepMs : step),
    ArrowRight: props.timeMs + (isWhole(view.value, props.durationMs) ? stepMs : step),
    PageUp: props.timeMs - 6 * stepMs,
    PageDown: props.timeMs + 6 * stepMs,
    Home: 0,
    End: props.durationMs,
  }
  const moved = to[event.key]
  const actions: Record<string, () => void> = {
    '+': () => closer(0.5),
    '=': () => closer(0.5),
    '-': () => closer(2),
    '0': all,
    Enter: () =>
      selected.value && (view.value = showing(selected.value.startMs, selected.value.endMs, props.durationMs)),
    Escape: () => (selected.value = null),
  }
  if (moved !== undefined) {
    const ms = Math.min(props.durationMs, Math.max(0, moved))
    if (event.shiftKey) pointer.extend(props.timeMs, ms)
    emit('seek', ms)
    view.value = follow(view.value, ms, props.durationMs)
  } else if (event.key === 'Escape' ? selected.value : actions[event.key]) {
    actions[event.key]?.()
  } else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <div class="stave">
    <div class="names" aria-hidden="true">
      <span
        v-for="l in lanes"
        :key="l.key"
        :style="{ height: `${l.height}px`, lineHeight: `${Math.min(l.height, l.key === 'sound' ? l.height : 22)}px` }"
        >{{ l.name }}</span
      >
    </div>
    <div
      ref="band"
      class="band"
      role="slider"
      tabindex="0"
      aria-label="Time in the lecture"
      aria-keyshortcuts="+ - 0 Shift+ArrowRight Shift+ArrowLeft"
      :aria-valuemin="0"
      :aria-valuemax="Math.round(durationMs / 1000)"
      :aria-valuenow="Math.round(timeMs / 1000)"
      :aria-valuetext="`${clock(timeMs)} of ${clock(durationMs)}`"
      :data-spans="places.length"
      :data-view="`${Math.round(view.fromMs)}-${Math.round(view.toMs)}`"
      :data-sound="sound.overview.value?.loudness.length ?? 0"
      :style="{ height: `${height}px`, cursor: pointer.cursor.value }"
      @pointerdown="pointer.down"
      @pointermove="pointer.move"
      @pointerleave="pointer.leave"
      @dblclick="all"
      @keydown="key"
    >
      <canvas ref="canvas" :style="{ height: `${height}px` }" />
      <div
        v-if="pointer.hoverMs.value !== null"
        class="hover k-time"
        :style="{ left: `${at(pointer.hoverMs.value)}px`, top: `${footTop + 1}px` }"
      >
        {{ clock(pointer.hoverMs.value) }}
      </div>
      <div
        v-if="isShown(timeMs)"
        class="playhead"
        :style="{ transform: `translateX(${at(timeMs)}px)`, height: `${footTop + 6}px` }"
      />
    </div>
    <div class="zoom">
      <button class="k-quiet" type="button" aria-label="Look closer" title="Look closer (+)" @click="closer(0.5)">
        +
      </button>
      <button
        class="k-quiet"
        type="button"
        aria-label="See more at once"
        title="See more at once (-)"
        @click="closer(2)"
      >
        −
      </button>
      <button
        v-if="!isWhole(view, durationMs)"
        class="k-quiet all"
        type="button"
        title="See the whole lecture (0)"
        @click="all"
      >
        Whole
      </button>
    </div>
    <StaveParts
      :chapters="chapters"
      :marks="marks"
      :places="places"
      :places-name="placesName"
      @seek="emit('seek', $event)"
    />
  </div>
</template>

<style scoped src="./stave.css"></style>
