<script setup lang="ts">
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
const hear = (line: Evidence) => void toggle(line.lectureId, line.startMs, line.endMs)

const leave = (course: string | null) =>
  router.push(course === null ? { name: 'library' } : { name: 'course', params: { course } })

function removed(course: string | null) {
  const id = Number(props.sheet)
  void leave(course)
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
      :playing="playing"
      @hear="hear"
      @closed="leave"
      @removed="removed"
    />
  </div>
</template>

<style scoped>
.k-column :deep(p.foot) {
  bottom: 0;
  background: var(--paper);
}
</style>
