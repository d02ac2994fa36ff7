<script setup lang="ts">
import { computed } from 'vue'
import { count, duration } from '@/shared/time'
import { megabytes } from './sizes'
import type { ChosenLink } from './useLinks'

/** Something that was found on the web, before it is fetched: what it is, and what is done with its captions. */
const chosen = defineModel<ChosenLink>({ required: true })
defineEmits<{ leaveOut: [] }>()

const found = computed(() => chosen.value.found)
const facts = computed(() => [
  new URL(chosen.value.address).host,
  { recording: 'a recording', stream: 'a stream', feed: 'a feed', outside: 'by your own downloader' }[found.value.kind],
  found.value.durationMs ? duration(found.value.durationMs) : '',
  found.value.bytes ? megabytes(found.value.bytes) : '',
  found.value.chapters.length ? count(found.value.chapters.length, 'chapter') : '',
])
const uses = [
  { value: 'instead', title: 'Take its captions, write nothing down' },
  { value: 'beside', title: 'Write it down, keep its captions to compare' },
  { value: 'none', title: 'Write it down, leave its captions' },
] as const
</script>

<template>
  <div class="found">
    <div class="fields">
      <v-text-field v-model="chosen.title" label="Title" maxlength="200" />
      <v-text-field v-model="chosen.heldOn" label="Date held" type="date" class="held" />
      <button class="k-quiet" type="button" @click="$emit('leaveOut')">Leave out</button>
    </div>
    <p class="k-facts k-soft">
      <span v-for="fact in facts.filter(Boolean)" :key="fact">{{ fact }}</span>
    </p>
    <p v-if="found.there" class="there">
      It was brought in from there already:
      <router-link :to="{ name: 'lecture', params: { id: found.there } }">open it</router-link>.
    </p>
    <v-select v-if="found.captions.length" v-model="chosen.use" label="Captions were found" :items="uses" class="use" />
  </div>
</template>

<style scoped>
.fields {
  display: flex;
  gap: 20px;
  align-items: baseline;
  flex-wrap: wrap;
}
.fields > :first-child {
  flex: 1 1 280px;
}
.held {
  flex: 0 1 170px;
}
.k-facts {
  font-size: 14px;
}
.there {
  font-size: 14px;
  border-left: 3px solid var(--buff);
  padding-left: 8px;
  margin-top: 6px;
}
.use {
  margin-top: 12px;
  max-width: 460px;
}
</style>
