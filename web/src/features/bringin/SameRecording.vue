<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** A file that the library has already, and what can be done about it. */
defineProps<{ same: Schemas['SameRecording'] }>()
defineEmits<{ onceMore: []; leave: [] }>()
</script>

<template>
  <div class="same" role="status">
    <p>
      The library has the same recording already{{ same.isBinned ? ', in the bin' : '' }}:
      <router-link v-if="!same.isBinned" :to="{ name: 'lecture', params: { id: same.lectureId } }">{{
        same.title
      }}</router-link>
      <router-link v-else :to="{ name: 'library' }">{{ same.title }}</router-link>.
    </p>
    <button class="k-link" type="button" @click="$emit('leave')">Leave it at that</button>
    <button class="k-quiet" type="button" @click="$emit('onceMore')">Bring in once more</button>
  </div>
</template>

<style scoped>
.same {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  font-size: 14px;
  border-left: 3px solid var(--buff);
  padding-left: 10px;
  margin-top: 4px;
}
p {
  flex: 1 1 320px;
}
</style>
