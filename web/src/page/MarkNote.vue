<script setup lang="ts">
import { inject } from 'vue'
import type { Mark } from '@/api/client'
import { isOpen, markKinds, markTitle } from './marks'
import { lectureIdKey } from './lectureId'

defineProps<{ mark: Mark }>()
defineEmits<{ open: [] }>()
const lectureId = inject(lectureIdKey)
</script>

<template>
  <button class="note" :class="{ open: isOpen(mark) }" type="button" @click="$emit('open')">
    <i aria-hidden="true">{{ markKinds[mark.kind].sign }}</i>
    <b>{{ markTitle(mark) }}</b>
    <span v-if="mark.kind !== 'label' && mark.text" class="text">{{ mark.text }}</span>
    <span v-if="mark.resolved" class="text">{{ mark.resolved }}</span>
    <span v-if="mark.now !== null" class="changed">source changed</span>
    <img
      v-if="mark.hasPicture"
      :src="`/api/lectures/${lectureId}/marks/${mark.id}/picture`"
      :alt="mark.text || 'A picture at this time'"
      loading="lazy"
    />
  </button>
</template>

<style scoped>
.note {
  position: relative;
  display: block;
  width: 100%;
  max-width: 270px;
  padding: 2px 0 6px 20px;
  font-size: 13.5px;
  line-height: 1.4;
  text-align: left;
  overflow-wrap: anywhere;
}
i {
  position: absolute;
  left: 0;
  width: 14px;
  text-align: center;
  font-style: normal;
  color: var(--sea);
}
.open i,
.open b {
  color: var(--wrong);
}
b {
  font-weight: 600;
}
.note:hover b {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.text {
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
  color: var(--soft);
}
.changed {
  display: block;
  color: var(--wrong);
}
img {
  display: block;
  width: 100%;
  max-height: 180px;
  object-fit: contain;
  object-position: left;
  margin-top: 4px;
}
</style>
