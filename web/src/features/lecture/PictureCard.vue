<script setup lang="ts">
import { ref } from 'vue'
import { api, must, type Mark } from '@/api/client'
import { useLive } from '@/shared/live'
import { useNotice } from '@/shared/notice'

/** A card that shows a mark's picture with its question. */
const props = defineProps<{ lectureId: string; mark: Mark }>()
const notice = useNotice()
const live = useLive()
const isOpen = ref(false)
const front = ref('What does this picture show?')
const back = ref(props.mark.text)

async function make() {
  const { id, startMs, endMs } = props.mark
  const body = { front: front.value, back: back.value, startMs, endMs, mark: id, withPicture: false }
  const made = await notice.attempt(() =>
    must(api.POST('/api/lectures/{id}/cards/own', { params: { path: { id: props.lectureId } }, body })),
  )
  if (!made) return
  isOpen.value = false
  notice.tell(`A card, due today: ${made.front}`)
  void live.refresh()
}
</script>

<template>
  <p v-if="!isOpen">
    <button class="k-link" type="button" @click="isOpen = true">Make a card of this picture</button>
  </p>
  <div v-else class="card" role="group" aria-label="A card of this picture" @keydown.esc.stop="isOpen = false">
    <v-textarea v-model="front" label="Question" rows="1" auto-grow maxlength="2000" variant="underlined" />
    <v-textarea v-model="back" label="Answer" rows="1" auto-grow maxlength="2000" variant="underlined" autofocus />
    <div class="ways">
      <button class="k-link" type="button" :disabled="!front.trim() || !back.trim()" @click="make">
        Make the card
      </button>
      <button class="k-quiet" type="button" @click="isOpen = false">Leave it</button>
    </div>
  </div>
</template>

<style scoped>
.card {
  margin: 14px 0;
  padding-left: 14px;
  border-left: 3px solid var(--sea);
}
.ways {
  display: flex;
  gap: 18px;
}
</style>
