<script setup lang="ts">
import { watch } from 'vue'
import { clock } from '@/shared/time'
import ChangedSource from './ChangedSource.vue'
import { useStudy } from './useStudy'

const props = defineProps<{ lectureId: string; version: number }>()
const emit = defineEmits<{ hear: [ms: number]; evidence: [spans: { startMs: number; endMs: number }[]] }>()
const { study, isBusy, makeSummary, load } = useStudy(props.lectureId, () => props.version)

watch(study, (s) => emit('evidence', s?.summary?.flatMap((p) => p.lines) ?? []))
</script>

<template>
  <div class="body">
    <div v-if="study && !study.summary" class="start">
      <p class="k-soft">The sentences that say most, from every chapter, in the lecturer’s own words.</p>
      <v-btn :loading="isBusy" @click="makeSummary">Make a summary</v-btn>
    </div>
    <section v-for="part in study?.summary ?? []" :key="part.startMs">
      <h3>{{ part.chapter }}</h3>
      <ul class="lines">
        <li v-for="line in part.lines" :key="line.startMs">
          <button
            class="k-link k-time"
            type="button"
            :aria-label="`Hear ${clock(line.startMs)}`"
            @click="emit('hear', line.startMs)"
          >
            {{ clock(line.startMs) }}
          </button>
          <div class="said">
            {{ line.quote }}
            <ChangedSource
              v-if="line.now !== null"
              :lecture-id="lectureId"
              :was="line.quote"
              :now="line.now"
              :take-key="study?.summaryKey ?? null"
              @taken="load"
            />
          </div>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped src="./desk.css"></style>
