<script setup lang="ts">
import { watch } from 'vue'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { useDesk } from './useDesk'
import { useStudy } from './useStudy'

const { hear, show } = useDesk()
const { study, isBusy, makeSummary, load } = useStudy()

watch(study, (s) => show(s?.summary?.flatMap((p) => p.lines) ?? []))
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
        <EvidenceLine
          v-for="line in part.lines"
          :key="line.startMs"
          :evidence="line"
          :take-key="study?.summaryKey"
          @hear="hear"
          @taken="load"
        />
      </ul>
    </section>
  </div>
</template>

<style scoped src="./desk.css"></style>
