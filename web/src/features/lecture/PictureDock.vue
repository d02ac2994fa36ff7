<script setup lang="ts">
import { ref, watch } from 'vue'

const props = defineProps<{ lectureId: string; version: number; captions: boolean; language: string }>()
const emit = defineEmits<{ media: [element: HTMLMediaElement | null]; toggle: [] }>()
const size = ref<'small' | 'large' | 'hidden'>('small')
const video = ref<HTMLVideoElement>()

watch(
  [video, () => props.captions],
  () => {
    const track = video.value?.textTracks[0]
    if (track) track.mode = props.captions ? 'showing' : 'disabled'
  },
  { flush: 'post' },
)
watch(video, (element) => emit('media', element ?? null))
</script>

<template>
  <div class="dock" :class="size">
    <div class="picture">
      <video ref="video" :src="`/api/lectures/${lectureId}/media`" preload="metadata" @click="emit('toggle')">
        <track
          :key="version"
          kind="captions"
          :srclang="language"
          label="Captions"
          :src="`/api/lectures/${lectureId}/captions?v=${version}`"
          :default="captions"
        />
      </video>
      <div class="sizes">
        <button v-if="size !== 'large'" class="k-quiet" type="button" @click="size = 'large'">Larger</button>
        <button v-if="size !== 'small'" class="k-quiet" type="button" @click="size = 'small'">
          {{ size === 'hidden' ? 'Show the picture' : 'Smaller' }}
        </button>
        <button v-if="size !== 'hidden'" class="k-quiet" type="button" @click="size = 'hidden'">Hide</button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.dock {
  position: sticky;
  top: 42px;
  z-index: 5;
  height: 0;
  display: flex;
  justify-content: flex-end;
}
.picture {
  width: var(--page-margin);
  padding-left: 24px;
  height: max-content;
}
video {
  width: 100%;
  display: block;
  background: #0b1418;
  cursor: pointer;
}
.large {
  position: fixed;
  inset: 66px 20px auto auto;
  z-index: 15;
}
.large .picture {
  width: min(860px, 64vw);
  padding: 0;
  background: var(--sheet);
  border: 1px solid var(--ink);
}
.hidden video {
  display: none;
}
.sizes {
  display: flex;
  gap: 14px;
  font: 400 13px var(--sans);
  padding: 2px 4px;
  background: var(--paper);
}
@media (max-width: 900px) {
  .dock {
    position: sticky;
    height: auto;
    top: 0;
  }
  .picture {
    width: 100%;
    padding: 0;
  }
  .large .picture {
    width: calc(100vw - 40px);
  }
}
</style>
