<script setup lang="ts">
import { computed } from 'vue'
import type { Lecture } from '@/api/client'
import type { DeskPanelName } from '@/features/desk/panels'
import { count } from '@/shared/time'

/** What the desk can be opened for, each with what there is of it: in the margin of a wide page, in a row elsewhere. */
const props = defineProps<{ lecture: Lecture; markCount: number }>()
defineEmits<{ open: [panel: DeskPanelName] }>()

const entries = computed(() => {
  const { cardCount, dueCount, makesCards, hasSound } = props.lecture
  const all: { panel: DeskPanelName; name: string; fact?: string; isLeftOut?: boolean }[] = [
    { panel: 'ask', name: 'Ask' },
    { panel: 'subject', name: 'Subject' },
    { panel: 'plan', name: 'Listening plan', isLeftOut: !hasSound },
    { panel: 'summary', name: 'Summary' },
    { panel: 'sheets', name: 'Sheets' },
    {
      panel: 'cards',
      name: 'Cards',
      fact: cardCount ? `${count(cardCount, 'card')}${dueCount ? `, ${dueCount} due` : ''}` : 'none yet',
      isLeftOut: !makesCards,
    },
    { panel: 'quiz', name: 'Quiz', isLeftOut: !makesCards },
    { panel: 'set', name: 'All in one go' },
    { panel: 'marks', name: 'Marks', fact: props.markCount ? String(props.markCount) : undefined },
  ]
  return all.filter((e) => !e.isLeftOut)
})
</script>

<template>
  <nav class="list" aria-label="Desk">
    <span v-for="e in entries" :key="e.panel" class="entry">
      <button class="k-link" type="button" @click="$emit('open', e.panel)">{{ e.name }}</button>
      <span v-if="e.fact" class="k-soft fact">{{ e.fact }}</span>
    </span>
    <router-link v-if="lecture.dueCount" class="go" :to="{ name: 'review', query: { lecture: lecture.id } }">
      Go through the due cards
    </router-link>
  </nav>
</template>

<style scoped>
.list {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  margin-top: 8px;
}
.entry {
  display: flex;
  gap: 8px;
  align-items: baseline;
  white-space: nowrap;
}
.fact,
.go {
  font-size: 13.5px;
}
.list .fact {
  display: none;
}
@media (min-width: 901px) {
  .beside {
    position: absolute;
    z-index: 3;
    left: 100%;
    top: 7px;
    width: var(--page-margin);
    padding-left: 24px;
    margin: 0;
    flex-direction: column;
    gap: 0;
  }
  .beside .fact {
    display: inline;
  }
  .beside .go {
    margin-top: 4px;
    line-height: 1.35;
  }
}
@media (max-width: 900px) {
  .go {
    display: none;
  }
}
</style>
