<script setup lang="ts">
import { ref } from 'vue'
import { api, must, type Card } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { useUnsaved } from '@/shared/useUnsaved'

const props = defineProps<{ card: Card }>()
const emit = defineEmits<{ closed: []; saved: [front: string, back: string] }>()
const notice = useNotice()
const front = ref(props.card.front)
const back = ref(props.card.back)
// What it read when one began: a change in another window meanwhile is not written over.
const version = props.card.version
useUnsaved(() => front.value !== props.card.front || back.value !== props.card.back)

async function save() {
  const done = await notice.attempt(async () => {
    await must(
      api.PUT('/api/cards/{cardId}', {
        params: { path: { cardId: props.card.id } },
        body: { front: front.value, back: back.value, version },
      }),
    )
    return true
  })
  if (done) emit('saved', front.value, back.value)
}
</script>

<template>
  <form class="wording" @submit.prevent="save" @keydown.esc.stop="emit('closed')">
    <v-textarea v-model="front" label="Question" rows="2" auto-grow maxlength="2000" variant="underlined" autofocus />
    <v-textarea v-model="back" label="Answer" rows="1" auto-grow maxlength="2000" variant="underlined" />
    <div class="row">
      <button class="k-link" type="submit" :disabled="!front.trim() || !back.trim()">Save</button>
      <button class="k-quiet" type="button" @click="emit('closed')">Leave it</button>
    </div>
  </form>
</template>

<style scoped>
.row {
  display: flex;
  gap: 18px;
  padding-top: 6px;
}
</style>
