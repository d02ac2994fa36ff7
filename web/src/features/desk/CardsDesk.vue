<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Card } from '@/api/client'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { count, day } from '@/shared/time'
import { useLive } from '@/shared/live'
import CardWording from './CardWording.vue'
import { useDesk } from './useDesk'
import { useStudy } from './useStudy'

const { lecture, hear, show, correct } = useDesk()
const editing = ref<number | null>(null)
const { study, isBusy, makeCards, load } = useStudy()
const live = useLive()

async function make() {
  await makeCards()
  void live.refresh()
}

/** A wording that was corrected can be corrected in the text and elsewhere too. */
async function worded(card: Card, front: string, back: string) {
  editing.value = null
  await load()
  correct(`${card.front} ${card.back}`, `${front} ${back}`)
}

const isDue = (due: string) => new Date(due) <= new Date()
watch(study, (s) => show(s?.cards.map((c) => c.source) ?? []))
</script>

<template>
  <div class="body">
    <div v-if="study && !study.cards.length" class="start">
      <p class="k-soft">
        Ten cards from what this lecture defines, names and measures. Each asks one thing and knows where it was said.
      </p>
      <v-btn :loading="isBusy" @click="make">Make ten cards</v-btn>
    </div>
    <template v-if="study?.cards.length">
      <p class="top">
        <span>{{ count(study.cards.length, 'card') }}</span>
        <router-link class="k-link" :to="{ name: 'review', query: { lecture: lecture.id } }"
          >Go through what is due</router-link
        >
      </p>
      <ul class="lines">
        <EvidenceLine
          v-for="card in study.cards"
          :key="card.id"
          :evidence="card.source"
          :take-key="`card:${card.id}`"
          @hear="hear"
          @taken="load"
        >
          <CardWording
            v-if="editing === card.id"
            :card="card"
            @closed="editing = null"
            @saved="(front, back) => worded(card, front, back)"
          />
          <details v-else>
            <summary class="said">{{ card.front }}</summary>
            <p class="said back">{{ card.back }}</p>
            <p class="k-soft when">
              {{
                card.isNew ? 'Not gone through yet' : isDue(card.dueAt) ? 'Due now' : `Comes back on ${day(card.dueAt)}`
              }}
              · <button class="k-link" type="button" @click="editing = card.id">Correct the wording</button>
            </p>
          </details>
        </EvidenceLine>
      </ul>
    </template>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  margin-bottom: 8px;
}
summary {
  cursor: pointer;
}
.back {
  border-left: 3px solid var(--sea);
  padding-left: 10px;
  margin: 6px 0 2px;
}
.when {
  font-size: 13px;
}
</style>
