<script setup lang="ts">
import { ref } from 'vue'
import { api, must, type CardDraft, type KeptDraft } from '@/api/client'
import CardsToKeep from '@/shared/CardsToKeep.vue'
import { useNotice } from '@/shared/notice'
import { useLoaded } from '@/shared/useLoaded'
import StudyWanted from './StudyWanted.vue'
import { wantedOf } from '@/features/sheets/wanted'
import { useDesk } from './useDesk'

/** Cards to be looked through: each kept, reworded or left out before it is added. */
const props = defineProps<{ isFirst: boolean }>()
const emit = defineEmits<{ added: []; closed: [] }>()
const { lecture, hear } = useDesk()
const notice = useNotice()
const wanted = ref(wantedOf(10))
const drafts = ref<CardDraft[] | null>(null)
const isBusy = ref(false)
const params = { path: { id: lecture.value.id } }
const { value: writers } = useLoaded(() => must(api.GET('/api/writer')))

async function look() {
  isBusy.value = true
  const made = await notice.attempt(() =>
    must(api.POST('/api/lectures/{id}/cards/drafts', { params, body: wanted.value })),
  )
  if (made) drafts.value = made
  isBusy.value = false
}

async function add(kept: KeptDraft[]) {
  isBusy.value = true
  const body = { wanted: wanted.value, kept }
  const isDone = await notice.attempt(async () => {
    await must(api.POST('/api/lectures/{id}/cards/kept', { params, body }))
    return true
  })
  isBusy.value = false
  if (isDone) emit('added')
}
</script>

<template>
  <form v-if="!drafts" class="start" @submit.prevent="look">
    <p v-if="isFirst" class="k-soft">
      Cards from what this lecture defines, names, measures and explains. Each asks one thing and knows where it was
      said. You look through them before they are added.
    </p>
    <StudyWanted v-model="wanted" :counts="[5, 10, 20, 40, 100]" what="Cards" />
    <p class="go">
      <v-btn type="submit" :loading="isBusy">Make cards</v-btn>
      <button v-if="!isFirst" class="k-quiet" type="button" @click="emit('closed')">Leave it</button>
    </p>
    <p v-if="writers?.writer?.isOn" class="k-soft">
      Or let {{ writers.writer.model }}
      <router-link class="k-link" :to="{ query: { desk: 'sheets' } }">write questions on a sheet</router-link>, and make
      cards of them.
    </p>
  </form>
  <div v-else-if="!drafts.length" class="start">
    <p class="k-soft" role="status">There is nothing more here that would make a card.</p>
    <p class="go">
      <button class="k-link" type="button" @click="drafts = null">Choose otherwise</button>
      <button v-if="!props.isFirst" class="k-quiet" type="button" @click="emit('closed')">Leave it</button>
    </p>
  </div>
  <CardsToKeep
    v-else
    :made="drafts"
    :none-more="drafts.length < wanted.count"
    :is-busy="isBusy"
    @hear="hear($event.startMs)"
    @keep="add"
    @closed="isFirst ? (drafts = null) : emit('closed')"
  />
</template>

<style scoped src="./desk.css"></style>
