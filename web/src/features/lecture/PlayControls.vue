<script setup lang="ts">
import { ref } from 'vue'
import { clock, duration } from '@/shared/time'
import { speeds, type Player } from './player'

const props = defineProps<{ player: Player; durationMs: number; savedMs: number | null; hasSound: boolean }>()
defineEmits<{ sentence: [step: number] }>()
const skipsSilence = defineModel<boolean>('skips', { required: true })
const speed = props.player.speed
const timeMs = props.player.timeMs
const isPlaying = props.player.isPlaying
const problem = props.player.problem
/** On a phone, where the foot must stay low. */
const showsMore = ref(false)
</script>

<template>
  <div class="controls">
    <div class="clock">
      <span class="now k-time">{{ clock(timeMs) }}</span> <span class="k-soft k-time">of {{ clock(durationMs) }}</span>
    </div>
    <div class="keys">
      <button v-if="hasSound" class="play" type="button" @click="player.toggle">
        {{ isPlaying ? 'Pause' : 'Play' }}
      </button>
      <button class="k-quiet" type="button" aria-label="A sentence back" @click="$emit('sentence', -1)">‹</button>
      <span class="k-soft wide">sentence</span>
      <button class="k-quiet" type="button" aria-label="A sentence forward" @click="$emit('sentence', 1)">›</button>
    </div>
    <button
      v-if="hasSound"
      class="k-quiet more"
      type="button"
      :aria-expanded="showsMore"
      aria-label="How it is played"
      @click="showsMore = !showsMore"
    >
      {{ speed === 1 ? 'Speed' : `${speed} times` }}
    </button>
    <label v-if="hasSound" class="skip k-soft" :class="{ hidden: !showsMore }">
      <input v-model="skipsSilence" type="checkbox" /> skip silence{{
        skipsSilence && savedMs !== null ? `, saves ${duration(savedMs)}` : ''
      }}
    </label>
    <label v-if="hasSound" class="speed k-soft" :class="{ hidden: !showsMore }">
      <select v-model.number="speed" aria-label="Speed">
        <option v-for="s in speeds" :key="s" :value="s">{{ s === 1 ? 'as spoken' : `${s} times` }}</option>
      </select>
      <span>· {{ duration((durationMs - timeMs) / speed) }} left</span>
    </label>
    <p v-if="!hasSound" class="k-soft">A text without a recording</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.controls {
  padding: 12px 0 8px 28px;
  border-right: 1px solid var(--hair);
  font-size: 13.5px;
}
.now {
  font: 600 24px var(--serif);
}
.keys {
  display: flex;
  gap: 9px;
  align-items: center;
  margin: 4px 0 8px;
}
.play {
  background: var(--act);
  color: rgb(var(--v-theme-on-primary));
  font-weight: 600;
  padding: 4px 13px;
  min-width: 66px;
}
.keys .k-quiet {
  font-size: 18px;
  line-height: 1;
  padding: 2px 5px;
}
.skip {
  display: block;
  white-space: nowrap;
}
select {
  color: var(--ink);
  background: transparent;
  border-bottom: 1px solid var(--hair);
  font: inherit;
  cursor: pointer;
}
option {
  color: #14242b;
}
.problem {
  color: var(--wrong);
  max-width: 150px;
}
.more {
  display: none;
}
@media (max-width: 620px) {
  .more {
    display: inline;
    margin-left: auto;
  }
  .wide,
  .hidden {
    display: none;
  }
  .controls .now {
    font-size: 19px;
  }
}
@media (max-width: 900px) {
  .controls {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    align-items: center;
    padding: 8px 14px 0;
    border: 0;
  }
  .keys {
    margin: 0;
  }
}
</style>
