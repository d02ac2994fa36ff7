<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Card } from '@/api/client'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { useNotice } from '@/shared/notice'
import { count, day } from '@/shared/time'
import { useLive } from '@/shared/live'
import CardDrafts from './CardDrafts.vue'
import CardWording from './CardWording.vue'
import { useDesk } from './useDesk'
import { useStudy } from './useStudy'

const { lecture, hear, show, correct } = useDesk()
const editing = ref<number | null>(null)
const isMaking = ref(false)
const { study, load } = useStudy()
const live = useLive()
const notice = useNotice()
const picker = ref<HTMLInputElement>()
const list = (format: string) => `/api/lectures/${lecture.value.id}/cards/export?format=${format}`

async function bring() {
  const file = picker.value?.files?.[0]
  if (picker.value) picker.value.value = ''
  if (!file) return
  const found = await notice.attempt(async () => {
    const answer = await fetch(`/api/lectures/${lecture.value.id}/cards/list`, { method: 'POST', body: file })
    const body = (await answer.json().catch(() => ({}))) as { detail?: string; added?: number; there?: number }
    if (!answer.ok) throw new Error(body.detail ?? 'The list could not be read.')
    return body
  })
  if (!found) return
  notice.tell(`${count(found.added ?? 0, 'card')} added${found.there ? `, ${found.there} were there` : ''}.`)
  await added()
}

async function added() {
  await load()
  isMaking.value = false
  await live.refresh()
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
    <input
      ref="picker"
      type="file"
      accept=".csv,.tsv,.txt,text/csv,text/tab-separated-values"
      aria-label="A list of cards"
      tabindex="-1"
      hidden
      @change="bring"
    />
    <CardDrafts
      v-if="study && (!study.cards.length || isMaking)"
      :is-first="!study.cards.length"
      @added="added"
      @closed="isMaking = false"
    />
    <template v-else-if="study">
      <p class="top">
        <span>{{ count(study.cards.length, 'card') }}</span>
        <span class="ways">
          <router-link class="k-link" :to="{ name: 'review', query: { lecture: lecture.id } }"
            >Go through what is due</router-link
          >
          <button class="k-link" type="button" @click="isMaking = true">More cards</button>
          <v-menu>
            <template #activator="{ props: menu }">
              <button class="k-link" type="button" v-bind="menu">Lists <span aria-hidden="true">▾</span></button>
            </template>
            <v-list>
              <v-list-item title="Take away as CSV" :href="list('csv')" download />
              <v-list-item title="Take away as TSV" :href="list('tsv')" download />
              <v-list-item title="Bring in a list (CSV or TSV)" @click="picker?.click()" />
            </v-list>
          </v-menu>
        </span>
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
            <summary class="said">
              {{ card.front }}<span v-if="card.hasPicture" class="k-soft"> · picture</span>
            </summary>
            <img
              v-if="card.hasPicture"
              :src="`/api/cards/${card.id}/picture`"
              alt="The picture that is asked about"
              loading="lazy"
            />
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
.ways {
  display: flex;
  gap: 16px;
}
summary {
  cursor: pointer;
}
.back {
  border-left: 3px solid var(--sea);
  padding-left: 10px;
  margin: 6px 0 2px;
}
img {
  max-width: 100%;
  box-sizing: border-box;
  max-height: 220px;
  margin-top: 6px;
  border: 1px solid var(--hair);
}
.when {
  font-size: 13px;
}
</style>
