<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, must, type CardDraft } from '@/api/client'
import { useNotice } from '@/shared/notice'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { count } from '@/shared/time'
import StudyWanted from './StudyWanted.vue'
import { wantedOf } from '@/features/sheets/wanted'
import { useDesk } from './useDesk'

/** Cards to be looked through: each kept, reworded or left out before it is added. */
const props = defineProps<{ isFirst: boolean }>()
const emit = defineEmits<{ added: []; closed: [] }>()
const { lecture, hear } = useDesk()
const notice = useNotice()
const wanted = ref(wantedOf(10))
const drafts = ref<(CardDraft & { isKept: boolean; isEdited: boolean; bothWays: boolean })[] | null>(null)
const isBusy = ref(false)
const kept = computed(() => drafts.value?.filter((d) => d.isKept && d.front.trim() && d.back.trim()) ?? [])
const params = { path: { id: lecture.value.id } }

async function look() {
  isBusy.value = true
  const made = await notice.attempt(() =>
    must(api.POST('/api/lectures/{id}/cards/drafts', { params, body: wanted.value })),
  )
  if (made) drafts.value = made.map((d) => ({ ...d, isKept: true, isEdited: false, bothWays: false }))
  isBusy.value = false
}

async function add() {
  isBusy.value = true
  const body = {
    wanted: wanted.value,
    kept: kept.value.map(({ key, front, back, bothWays }) => ({ key, front, back, bothWays })),
  }
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
  </form>
  <div v-else-if="!drafts.length" class="start">
    <p class="k-soft" role="status">There is nothing more here that would make a card.</p>
    <p class="go">
      <button class="k-link" type="button" @click="drafts = null">Choose otherwise</button>
      <button v-if="!props.isFirst" class="k-quiet" type="button" @click="emit('closed')">Leave it</button>
    </p>
  </div>
  <form v-else @submit.prevent="add">
    <p class="k-soft" role="status">
      {{ count(drafts.length, 'card') }} to look through{{
        drafts.length < wanted.count ? ': there is no more here that is worth one' : ''
      }}. Leave out what you know already, and word the others as you like.
    </p>
    <ul class="lines">
      <EvidenceLine v-for="d in drafts" :key="d.key" :evidence="d.source" @hear="hear">
        <div :class="{ out: !d.isKept }">
          <template v-if="d.isEdited">
            <v-textarea v-model="d.front" label="Question" rows="2" auto-grow maxlength="2000" variant="underlined" />
            <v-textarea v-model="d.back" label="Answer" rows="1" auto-grow maxlength="2000" variant="underlined" />
          </template>
          <template v-else>
            <p class="said">{{ d.front }}</p>
            <p class="said back">{{ d.back }}</p>
            <p v-if="d.isKept && d.bothWays" class="said reversed">{{ d.reversed }}</p>
          </template>
        </div>
        <p class="row">
          <label>
            <input v-model="d.isKept" type="checkbox" :aria-label="`Keep: ${d.front}`" />
            <span>{{ d.isKept ? 'Kept' : 'Left out' }}</span>
          </label>
          <button v-if="d.isKept" class="k-link" type="button" @click="d.isEdited = !d.isEdited">
            {{ d.isEdited ? 'Done' : 'Reword' }}
          </button>
          <label v-if="d.isKept && d.reversed">
            <input v-model="d.bothWays" type="checkbox" :aria-label="`Both ways: ${d.front}`" />
            <span>Both ways</span>
          </label>
        </p>
      </EvidenceLine>
    </ul>
    <p class="go foot">
      <v-btn type="submit" :loading="isBusy" :disabled="!kept.length"
        >Add {{ count(kept.length + kept.filter((d) => d.bothWays).length, 'card') }}</v-btn
      >
      <button class="k-quiet" type="button" @click="isFirst ? (drafts = null) : emit('closed')">Leave them</button>
    </p>
  </form>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.foot {
  position: sticky;
  bottom: -24px;
  background: var(--sheet);
  padding: 12px 0 20px;
  border-top: 1px solid var(--hair);
}
.row {
  display: flex;
  gap: 18px;
  font-size: 14px;
}
.row label {
  display: flex;
  gap: 8px;
  cursor: pointer;
}
.row input {
  accent-color: var(--act);
}
.back {
  border-left: 3px solid var(--sea);
  padding-left: 10px;
  margin: 6px 0 2px;
}
.reversed {
  margin: 6px 0 2px;
}
.out {
  color: var(--soft);
  text-decoration: line-through;
}
</style>
