<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ThreadPanel from '@/features/ask/ThreadPanel.vue'
import { clock } from '@/shared/time'
import { useDesk } from './useDesk'

/** Asks the lecture that is open. */
const { lecture, selected, hear, show, noted } = useDesk()
const route = useRoute()
const router = useRouter()
const one = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : undefined)
const stretch = computed(() => {
  const [fromMs, toMs] = [Number(one('from')), Number(one('to'))]
  return toMs > fromMs ? { fromMs, toMs } : null
})
const wholeAgain = () => void router.replace({ query: { ...route.query, from: undefined, to: undefined } })
const opened = (id: number | null) => {
  const thread = id === null ? undefined : String(id)
  if (one('thread') !== thread) void router.replace({ query: { ...route.query, thread } })
}

/** Takes the place that the person chooses on the page. */
const taking = ref<((startMs: number, endMs: number) => void) | null>(null)
function take() {
  if (selected.value) taking.value?.(selected.value.startMs, selected.value.endMs)
  taking.value = null
}
</script>

<template>
  <ThreadPanel
    :place="{ lecture: lecture.id }"
    placeholder="Ask about this lecture"
    :begin="one('about')"
    :thread-id="Number(one('thread')) || null"
    :stretch="stretch"
    @hear="hear($event.startMs)"
    @shown="show"
    @opened="opened"
    @choose="taking = $event"
    @noted="noted"
  >
    <template #lead>
      Every answer is made of sentences of this lecture, each with its time. What the lecture does not say, Kostel does
      not say either.
    </template>
    <template #within>
      <p v-if="taking" class="within" role="status">
        Select the words on the page that answer.
        <button class="k-link" type="button" :disabled="!selected" @mousedown.prevent @click="take">
          These answer it
        </button>
        <button class="k-quiet" type="button" @click="taking = null">Leave it</button>
      </p>
      <p v-else-if="stretch" class="within">
        Only {{ clock(stretch.fromMs) }} to {{ clock(stretch.toMs) }}.
        <button class="k-link" type="button" @click="wholeAgain">Ask the whole lecture</button>
      </p>
    </template>
  </ThreadPanel>
</template>

<style scoped>
.within {
  font-size: 14px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  padding: 6px 0;
}
</style>
