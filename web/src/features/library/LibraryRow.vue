<script setup lang="ts">
import { computed } from 'vue'
import type { Lecture } from '@/api/client'
import JobBar from '@/shared/JobBar.vue'
import { count, day, duration } from '@/shared/time'

const props = defineProps<{ lecture: Lecture; isChosen: boolean; showsCourse: boolean }>()
const emit = defineEmits<{ choose: [isOn: boolean, isRange: boolean]; more: [button: HTMLElement]; changed: [] }>()

/** How far one is with it. */
const progress = computed(() => {
  const { heardMs, durationMs, cardCount, practisedCount, isCorrected } = props.lecture
  const share = durationMs ? heardMs / durationMs : 0
  return [
    share > 0.9 ? 'heard' : share > 0.02 ? `${Math.round(share * 100)} % heard` : '',
    isCorrected ? 'corrected' : '',
    cardCount
      ? practisedCount
        ? `${practisedCount} of ${count(cardCount, 'card')} practised`
        : count(cardCount, 'card')
      : '',
  ].filter(Boolean)
})
function click(event: MouseEvent) {
  emit('choose', (event.target as HTMLInputElement).checked, event.shiftKey)
}
</script>

<template>
  <li class="row" :class="{ chosen: isChosen }">
    <input type="checkbox" :checked="isChosen" :aria-label="`Choose ${lecture.title}`" @click="click" />
    <div class="what">
      <router-link class="title" :to="{ name: 'lecture', params: { id: lecture.id } }">{{ lecture.title }}</router-link>
      <div class="k-facts k-soft">
        <span v-if="showsCourse && lecture.course">{{ lecture.course }}</span>
        <span v-if="lecture.heldOn">{{ day(lecture.heldOn) }}</span>
        <span v-if="lecture.durationMs">{{ duration(lecture.durationMs) }}</span>
        <span v-if="lecture.hasPicture">video</span>
        <span v-for="p in progress" :key="p">{{ p }}</span>
      </div>
      <JobBar v-if="lecture.progress" :progress="lecture.progress" @changed="emit('changed')" />
      <p v-else-if="lecture.notice" class="notice">{{ lecture.notice }}</p>
    </div>
    <span v-if="lecture.dueCount" class="k-due">{{ lecture.dueCount }} due</span>
    <button
      class="k-quiet more"
      type="button"
      aria-haspopup="menu"
      :aria-label="`More for ${lecture.title}`"
      @click="emit('more', $event.currentTarget as HTMLElement)"
    >
      ⋯
    </button>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) max-content max-content;
  column-gap: 8px;
  align-items: start;
  padding: 10px 0;
  border-bottom: 1px solid var(--hair);
}
input {
  margin-top: 6px;
}
.chosen {
  background: color-mix(in srgb, var(--seawash) 60%, transparent);
}
.what .title {
  font: 600 17px/1.35 var(--serif);
  color: var(--ink);
  text-decoration: none;
  overflow-wrap: anywhere;
}
.title:hover {
  text-decoration: underline;
  text-decoration-color: var(--act);
  text-underline-offset: 4px;
}
.k-facts {
  font-size: 14px;
}
.notice {
  font-size: 14px;
  max-width: 560px;
  border-left: 3px solid var(--buff);
  padding-left: 8px;
  margin-top: 4px;
}
.more {
  grid-column: 4;
  font-size: 18px;
  line-height: 1;
  padding: 4px 8px;
}
</style>
