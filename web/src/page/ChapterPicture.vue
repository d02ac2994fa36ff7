<script setup lang="ts">
import { ref } from 'vue'

/** What is seen where a chapter of a video begins; nothing where there is no picture. */
defineProps<{ lectureId: string; startMs: number }>()
const isMissing = ref(false)
</script>

<template>
  <img
    v-if="!isMissing"
    class="still"
    :src="`/api/lectures/${lectureId}/chapters/${startMs}/picture`"
    alt=""
    loading="lazy"
    @error="isMissing = true"
  />
</template>

<style scoped>
.still {
  display: block;
  width: 100%;
  aspect-ratio: 16 / 9;
  object-fit: cover;
  border: 1px solid var(--hair);
}
</style>
