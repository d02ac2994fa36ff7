<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { Find } from '@/page/useFind'
import { count } from '@/shared/time'

const props = defineProps<{ find: Find; canReplace: boolean }>()
const emit = defineEmits<{ close: []; replace: [] }>()
const { wanted, at, hits, step } = props.find
const field = ref<HTMLInputElement>()

onMounted(async () => {
  await nextTick()
  field.value?.focus()
  field.value?.select()
})
defineExpose({ focus: () => field.value?.select() })
</script>

<template>
  <form
    class="find"
    role="search"
    @submit.prevent="step(1)"
    @keydown.esc.stop.prevent="emit('close')"
    @keydown.enter.shift.prevent="step(-1)"
  >
    <input
      ref="field"
      v-model="wanted"
      maxlength="200"
      placeholder="Find in this lecture"
      aria-label="Find in this lecture"
    />
    <span class="k-soft k-time" role="status">{{
      !wanted.trim() ? '' : hits.length ? `${at + 1} of ${hits.length}` : 'not said here'
    }}</span>
    <button class="k-quiet" type="button" :disabled="!hits.length" aria-label="The one before" @click="step(-1)">
      ‹
    </button>
    <button
      class="k-quiet"
      type="submit"
      :disabled="!hits.length"
      :aria-label="`The next of ${count(hits.length, 'place')}`"
    >
      ›
    </button>
    <button v-if="canReplace" class="k-link" type="button" :disabled="!hits.length" @click="emit('replace')">
      Replace
    </button>
    <button class="k-quiet" type="button" @click="emit('close')">Close</button>
  </form>
</template>

<style scoped>
.find {
  display: flex;
  gap: 10px;
  align-items: center;
  flex: 1 1 320px;
  min-width: 0;
}
input {
  flex: 1;
  min-width: 60px;
  border-bottom: 1px solid var(--ink);
  font: inherit;
  padding: 2px 0;
  color: var(--ink);
  background: transparent;
}
.k-time {
  white-space: nowrap;
}
.k-quiet {
  min-width: 24px;
  min-height: 24px;
}
</style>
