<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { onBeforeUnmount, ref, watch } from 'vue'
import type { Mark, Transcript } from '@/api/client'
import type { Stretch } from '@/stave/paint'
import StaveBand from '@/stave/StaveBand.vue'
import PlayControls from './PlayControls.vue'
import type { Player } from './player'

const props = defineProps<{
  player: Player
  durationMs: number
  savedMs: number | null
  hasSound: boolean
  lectureId: string
  heard: readonly Stretch[]
  plan: readonly Stretch[]
  canEdit: boolean
  spans: readonly Stretch[]
  spansName: string
  marks: readonly Mark[]
  transcript: Transcript | null
}>()
defineEmits<{ sentence: [step: number]; moveChapter: [startMs: number, passageId: string] }>()
const selected = defineModel<Stretch | null>('selected', { required: true })
const skips = defineModel<boolean>('skips', { required: true })
const { timeMs, loop, isPlaying } = props.player

// A notice stands above it and never over what plays.
const foot = ref<HTMLElement>()
const { height } = useElementSize(foot, undefined, { box: 'border-box' })
const tell = (px: number) => document.documentElement.style.setProperty('--foot', `${px}px`)
watch(height, tell)
onBeforeUnmount(() => tell(0))
</script>

<template>
  <footer ref="foot">
    <PlayControls
      v-model:skips="skips"
      :player="player"
      :duration-ms="durationMs"
      :saved-ms="savedMs"
      :has-sound="hasSound"
      @sentence="$emit('sentence', $event)"
    />
    <StaveBand
      v-model:selected="selected"
      :duration-ms="durationMs"
      :time-ms="timeMs"
      :chapters="transcript?.chapters ?? []"
      :lecture-id="lectureId"
      :is-playing="isPlaying"
      :heard="heard"
      :places="spans"
      :places-name="spansName"
      :plan="plan"
      :can-edit="canEdit"
      :marks="marks"
      :loop="loop"
      :transcript="transcript"
      @seek="player.seek"
      @move-chapter="(startMs, passageId) => $emit('moveChapter', startMs, passageId)"
    />
  </footer>
</template>
