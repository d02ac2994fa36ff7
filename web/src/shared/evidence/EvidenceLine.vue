<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router'
import type { Evidence } from '@/api/client'
import { clock } from '@/shared/time'
import ChangedSource from './ChangedSource.vue'

/** One line that says where it comes from: its time, to hear it, what it says, and whether the lecture still says that. */
withDefaults(
  defineProps<{
    /** Where to listen, and what was quoted. */
    evidence: Pick<Evidence, 'startMs'> & Partial<Evidence>
    /** Names what was made of it, so that the new words can be taken; null where they cannot. */
    takeKey?: string | null
    /** Also says in which chapter. */
    showsChapter?: boolean
    /** Of which lecture it is, where that does not go without saying. */
    where?: string | undefined
    /** Where it stands. */
    link?: RouteLocationRaw | undefined
    /** Whether it can be heard. */
    hasSound?: boolean
    isPlaying?: boolean
  }>(),
  { hasSound: true, takeKey: null, where: undefined, link: undefined },
)
defineEmits<{ hear: [ms: number]; taken: [] }>()
</script>

<template>
  <li class="evidence">
    <button
      v-if="hasSound"
      class="k-link k-time"
      type="button"
      :aria-label="isPlaying ? 'Stop' : `Hear ${clock(evidence.startMs)}`"
      @click="$emit('hear', evidence.startMs)"
    >
      {{ isPlaying ? 'Stop' : clock(evidence.startMs) }}
    </button>
    <span v-else class="k-soft k-time">{{ clock(evidence.startMs) }}</span>
    <div class="what">
      <slot>
        <span class="said">{{ evidence.quote }}</span>
      </slot>
      <small v-if="showsChapter && evidence.chapter">{{ evidence.chapter }}</small>
      <small v-if="where">
        <router-link v-if="link" data-hit class="where" :to="link">{{ where }}</router-link>
        <template v-else>{{ where }}</template>
        <template v-if="link && evidence.chapter"> · {{ evidence.chapter }}</template>
      </small>
      <ChangedSource
        v-if="evidence.lectureId && typeof evidence.now === 'string'"
        :lecture-id="evidence.lectureId"
        :was="evidence.quote ?? ''"
        :now="evidence.now"
        :take-key="takeKey ?? null"
        @taken="$emit('taken')"
      />
      <slot name="after" />
    </div>
  </li>
</template>

<style scoped>
.evidence {
  display: grid;
  grid-template-columns: 54px 1fr;
  border-top: 1px solid var(--hair);
  padding: 8px 0;
  align-items: baseline;
}
.what {
  min-width: 0;
}
.said {
  font: 400 16px/1.5 var(--serif);
  overflow-wrap: anywhere;
}
.where:not(.v-btn) {
  color: inherit;
}
small {
  display: block;
  font: 400 13px var(--sans);
  color: var(--soft);
}
</style>
