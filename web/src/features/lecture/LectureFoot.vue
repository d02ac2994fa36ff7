<script setup lang="ts">
import type { Mark, Transcript } from '@/api/client'
import StaveBand from '@/stave/StaveBand.vue'
import PlayControls from './PlayControls.vue'
import type { Player } from './player'

const props = defineProps<{
  player: Player
  durationMs: number
  savedMs: number | null
  hasSound: boolean
  peaks: Uint8Array
  spans: readonly { startMs: number; endMs: number }[]
  spansName: string
  marks: readonly Mark[]
  transcript: Transcript | null
}>()
defineEmits<{ sentence: [step: number] }>()
const skips = defineModel<boolean>('skips', { required: true })
const { timeMs, loop } = props.player
</script>

<template>
  <footer>
    <PlayControls
      v-model:skips="skips"
      :player="player"
      :duration-ms="durationMs"
      :saved-ms="savedMs"
      :has-sound="hasSound"
      @sentence="$emit('sentence', $event)"
    />
    <StaveBand
      :duration-ms="durationMs"
      :time-ms="timeMs"
      :chapters="transcript?.chapters ?? []"
      :peaks="peaks"
      :spans="spans"
      :spans-name="spansName"
      :marks="marks"
      :loop="loop"
      :transcript="transcript"
      @seek="player.seek"
    />
  </footer>
</template>
