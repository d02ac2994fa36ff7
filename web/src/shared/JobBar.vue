<script setup lang="ts">
import { computed } from 'vue'
import { api, type Progress } from '@/api/client'
import { describe, percentDone } from './stages'

const props = defineProps<{ progress: Progress }>()
const emit = defineEmits<{ changed: [] }>()

const text = computed(() => describe(props.progress))
const percent = computed(() => percentDone(props.progress))
const isOver = computed(() => props.progress.state === 'failed' || props.progress.state === 'cancelled')

async function cancel() {
  await api.POST('/api/lectures/{id}/cancel', { params: { path: { id: props.progress.lectureId } } })
  emit('changed')
}

async function retry() {
  await api.POST('/api/lectures/{id}/retry', { params: { path: { id: props.progress.lectureId } } })
  emit('changed')
}
</script>

<template>
  <div class="job" :class="{ over: isOver }" role="status">
    <div class="line">
      <span>{{ text }}</span>
      <span class="acts">
        <slot />
        <button v-if="isOver" class="k-link" type="button" @click.stop.prevent="retry">Try again</button>
        <button v-else class="k-quiet" type="button" @click.stop.prevent="cancel">Cancel</button>
      </span>
    </div>
    <v-progress-linear
      v-if="!isOver && progress.state !== 'waiting'"
      :model-value="percent ?? 0"
      :indeterminate="percent === null"
      :aria-label="text"
    />
  </div>
</template>

<style scoped>
.job {
  font-size: 14px;
  color: var(--soft);
  max-width: 560px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding-bottom: 3px;
}
.acts {
  display: flex;
  gap: 14px;
  white-space: nowrap;
  align-items: baseline;
}
.over .line > span:first-child {
  color: var(--wrong);
}
.over .line > span:first-child::before {
  content: '△ ';
}
</style>
