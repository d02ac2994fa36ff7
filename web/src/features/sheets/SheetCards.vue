<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, must, type CardDraft, type Evidence, type KeptDraft } from '@/api/client'
import CardsToKeep from '@/shared/CardsToKeep.vue'
import { useLive } from '@/shared/live'
import { useNotice } from '@/shared/notice'
import { count } from '@/shared/time'

/** Cards of what stands on a sheet, looked through before they are added to the lectures that it rests on. */
const props = defineProps<{ sheetId: number }>()
const emit = defineEmits<{ closed: []; hear: [line: Evidence] }>()
const notice = useNotice()
const live = useLive()
const made = ref<CardDraft[] | null>(null)
const isBusy = ref(false)
const params = { path: { sheet: props.sheetId } }

onMounted(async () => {
  const found = await notice.attempt(() => must(api.POST('/api/sheets/{sheet}/cards/drafts', { params })))
  if (found) made.value = found
  else emit('closed')
})

async function add(kept: KeptDraft[]) {
  isBusy.value = true
  const isDone = await notice.attempt(async () => {
    await must(api.POST('/api/sheets/{sheet}/cards/kept', { params, body: { kept } }))
    return true
  })
  isBusy.value = false
  if (!isDone) return
  notice.tell(`${count(kept.length, 'card')} added, due today.`)
  await live.refresh()
  emit('closed')
}
</script>

<template>
  <p v-if="!made" class="k-soft" role="status">Cards are being made of the sheet …</p>
  <div v-else-if="!made.length">
    <p class="k-soft" role="status">There is nothing more on this sheet that would make a card.</p>
    <p><button class="k-quiet" type="button" @click="emit('closed')">Back to the sheet</button></p>
  </div>
  <template v-else>
    <p class="k-soft">What a card asks already is not asked again.</p>
    <CardsToKeep :made="made" :is-busy="isBusy" @hear="emit('hear', $event)" @keep="add" @closed="emit('closed')" />
  </template>
</template>
