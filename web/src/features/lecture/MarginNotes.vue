<script setup lang="ts">
import type { Lecture } from '@/api/client'
import type { DeskPanelName } from '@/features/desk/panels'
import { count } from '@/shared/time'

defineProps<{ lecture: Lecture; isReady: boolean }>()
defineEmits<{ open: [panel: DeskPanelName] }>()
</script>

<template>
  <aside v-if="isReady" class="notes">
    <div v-if="lecture.cardCount" class="note">
      <i aria-hidden="true">◇</i>
      <b>{{ count(lecture.cardCount, 'card') }}{{ lecture.dueCount ? `, ${lecture.dueCount} due` : '' }}</b>
      <router-link v-if="lecture.dueCount" :to="{ name: 'review', query: { lecture: lecture.id } }"
        >Go through them</router-link
      >
      <button v-else class="k-link" type="button" @click="$emit('open', 'cards')">Look at them</button>
    </div>
    <div v-else class="note">
      <i aria-hidden="true">◇</i>
      <b>No cards yet</b>
      <button class="k-link" type="button" @click="$emit('open', 'cards')">Make cards from this lecture</button>
    </div>
  </aside>
</template>

<style scoped>
.notes {
  font-size: 13.5px;
  line-height: 1.4;
  padding: 6px 0 0 24px;
}
.note {
  position: relative;
  padding-left: 20px;
  max-width: 190px;
}
i {
  position: absolute;
  left: 0;
  color: var(--sea);
  font-style: normal;
}
b {
  display: block;
  font-weight: 600;
}
</style>
