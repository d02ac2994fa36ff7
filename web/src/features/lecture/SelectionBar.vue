<script setup lang="ts">
import { computed } from 'vue'
import type { MarkKind } from '@/api/client'
import { markKinds } from '@/page/marks'
import type { Span } from '@/page/usePassages'
import { duration } from '@/shared/time'

const props = defineProps<{
  span: Span
  box: { top: number; bottom: number; left: number }
  isLooping: boolean
  hasSound: boolean
  hasPicture: boolean
}>()
const emit = defineEmits<{
  play: []
  loop: []
  mark: [kind: MarkKind]
  copy: [withLink: boolean]
  take: []
  ask: []
  sheet: [withPicture: boolean]
  card: [withPicture: boolean]
}>()
const below = computed(() => props.box.top < 120)
const style = computed(() => ({
  left: `${Math.max(8, Math.min(props.box.left, innerWidth - 520))}px`,
  top: below.value ? `${props.box.bottom + 8}px` : 'auto',
  bottom: below.value ? 'auto' : `${innerHeight - props.box.top + 8}px`,
}))
const kinds = Object.keys(markKinds) as MarkKind[]
</script>

<template>
  <!-- Keeps the selection: pressing a button here must not take it away. -->
  <div class="bar" role="toolbar" aria-label="What is selected" :style="style" @mousedown.prevent>
    <template v-if="hasSound">
      <button type="button" @click="emit('play')">Play {{ duration(span.endMs - span.startMs) }}</button>
      <button type="button" :aria-pressed="isLooping" @click="emit('loop')">
        {{ isLooping ? 'Stop the loop' : 'Loop' }}
      </button>
      <i />
    </template>
    <button v-for="k in kinds" :key="k" type="button" @click="emit('mark', k)">
      <span aria-hidden="true">{{ markKinds[k].sign }}</span> {{ markKinds[k].name }}
    </button>
    <i />
    <button type="button" @click="emit('ask')">Ask about it</button>
    <button type="button" @click="emit('card', false)">Make a card</button>
    <button v-if="hasPicture" type="button" @click="emit('card', true)">Card with picture</button>
    <button type="button" @click="emit('sheet', false)">Put on a sheet</button>
    <button v-if="hasPicture" type="button" @click="emit('sheet', true)">Sheet with picture</button>
    <button type="button" @click="emit('copy', true)">Copy with link</button>
    <button type="button" @click="emit('take')">Take away</button>
  </div>
</template>

<style scoped>
.bar {
  position: fixed;
  z-index: 20;
  display: flex;
  flex-wrap: wrap;
  max-width: calc(100vw - 16px);
  background: var(--ink);
  color: var(--paper);
  padding: 2px 6px;
  font-size: 13.5px;
}
button {
  padding: 5px 8px;
  white-space: nowrap;
  color: inherit;
}
button:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
}
button[aria-pressed='true'] {
  font-weight: 700;
}
i {
  width: 1px;
  margin: 5px 3px;
  background: color-mix(in srgb, var(--paper) 40%, transparent);
}
:focus-visible {
  outline-color: var(--paper);
}
</style>
