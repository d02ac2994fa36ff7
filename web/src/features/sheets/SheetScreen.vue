<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, must, type Evidence } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { usePlayedHit } from '@/shared/usePlayedHit'
import SheetPanel from './SheetPanel.vue'

/** A sheet that lies on no lecture's desk: that of a course. */
const props = defineProps<{ sheet: string }>()
const router = useRouter()
const notice = useNotice()
const { playing, toggle } = usePlayedHit()
const version = ref(0)
const hear = (line: Evidence) => void toggle(line.lectureId, line.startMs, line.endMs)

function removed() {
  const id = Number(props.sheet)
  router.back()
  notice.tell('The sheet was taken away.', () => {
    const call = api.POST('/api/sheets/{sheet}/restore', { params: { path: { sheet: id } } })
    void notice.attempt(() => must(call)).then(() => router.push({ name: 'sheet', params: { sheet: id } }))
  })
}
</script>

<template>
  <div class="k-column">
    <SheetPanel
      :key="sheet"
      :sheet-id="Number(sheet)"
      :version="version"
      :playing="playing"
      back="Back"
      @hear="hear"
      @closed="router.back()"
      @removed="removed"
    />
  </div>
</template>
