<script setup lang="ts">
import { onMounted } from 'vue'
import { screenShown } from '@/shared/idle'
import { clock } from '@/shared/time'
import { useUnsaved } from '@/shared/useUnsaved'
import { useRecorder } from './recorder'

/** One step to recording from everywhere; while one runs, that it does. */
const recorder = useRecorder()
useUnsaved(() => recorder.isOn)
onMounted(() => screenShown.then(recorder.look))
</script>

<template>
  <router-link class="record" :class="{ on: recorder.isOn }" :to="{ name: 'record' }">
    <template v-if="recorder.isOn">
      <span class="dot" :class="{ running: recorder.state === 'running' }" aria-hidden="true" />
      <span class="word">{{ recorder.state === 'running' ? 'Recording' : 'Paused' }} </span><span class="k-time">{{
        clock(recorder.atMs)
      }}</span>
    </template>
    <template v-else
      >Record<span v-if="recorder.interrupted.length" class="sr">, one was not ended</span
      ><span v-if="recorder.interrupted.length" aria-hidden="true"> △</span></template
    >
  </router-link>
</template>

<style scoped>
.record {
  color: var(--soft);
  text-decoration: none;
  white-space: nowrap;
}
.record:hover,
.record.router-link-exact-active {
  color: var(--ink);
}
.record.router-link-exact-active,
.record.on {
  font-weight: 600;
}
.record.on {
  color: var(--ink);
  border: 1px solid var(--ink);
  padding: 2px 8px;
}
.dot {
  display: inline-block;
  width: 9px;
  height: 9px;
  border: 1px solid var(--wrong);
  margin-right: 4px;
}
.dot.running {
  background: var(--wrong);
}
.word {
  margin-right: 5px;
}
.sr {
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  height: 1px;
  overflow: hidden;
}
@media (max-width: 620px) {
  .record.on {
    border: 0;
    padding: 0;
  }
  .word {
    position: absolute;
    clip-path: inset(50%);
    width: 1px;
    height: 1px;
    overflow: hidden;
  }
}
</style>
