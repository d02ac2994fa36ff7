<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Word } from '@/api/client'
import { clock } from '@/shared/time'
import { parts } from './heard'

/** What is said, as it is said: words that stand, and behind them those that may still change. */
const props = defineProps<{ words: readonly Word[]; tentative: readonly Word[] }>()
const shown = 12
const all = computed(() => parts(props.words))
const box = ref<HTMLElement>()
let follows = true
const scrolled = () =>
  box.value && (follows = box.value.scrollHeight - box.value.scrollTop - box.value.clientHeight < 60)
watch(
  () => [props.words, props.tentative],
  async () => {
    await nextTick()
    if (follows && box.value) box.value.scrollTop = box.value.scrollHeight
  },
)
</script>

<template>
  <div ref="box" class="heard" tabindex="0" role="log" aria-label="What is said" @scroll="scrolled">
    <p v-if="!words.length && !tentative.length" class="k-soft">The words come a moment after they are said.</p>
    <p v-for="(p, i) in all.slice(-shown)" :key="p.startMs">
      <span class="k-time k-soft">{{ clock(p.startMs) }}</span>
      {{ p.text }}
      <span v-if="i === Math.min(shown, all.length) - 1" class="open">{{
        tentative.map((w) => w.text).join(' ')
      }}</span>
    </p>
    <p v-if="!words.length && tentative.length" class="open">{{ tentative.map((w) => w.text).join(' ') }}</p>
  </div>
</template>

<style scoped>
.heard {
  border-top: 1px solid var(--ink);
  border-bottom: 1px solid var(--hair);
  padding: 14px 0;
  height: min(44vh, 420px);
  overflow-y: auto;
  font: 400 17px/1.6 var(--serif);
}
.heard p {
  margin-bottom: 10px;
}
.k-time {
  font: 400 13px var(--sans);
  margin-right: 8px;
}
.open {
  color: var(--soft);
  font-style: italic;
}
</style>
