<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { api, must, type Difference } from '@/api/client'
import { useNotice } from '@/shared/notice'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { count } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import { useDesk } from './useDesk'

const { lecture, version, hear, show } = useDesk()
const latest = useLatest()
const notice = useNotice()
const found = ref<Difference[] | null>(null)

const load = () =>
  latest(
    () => must(api.GET('/api/lectures/{id}/differences', { params: { path: { id: lecture.value.id } } })),
    (differences) => {
      found.value = differences
      show(differences)
    },
    notice.fail,
  )
onMounted(load)
watch(version, load)
</script>

<template>
  <div class="body">
    <p v-if="found && !found.length" class="k-soft">Every word reads as it was written first.</p>
    <template v-else-if="found">
      <p class="k-soft">{{ count(found.length, 'place') }} read otherwise than they were written first.</p>
      <ul class="lines">
        <EvidenceLine v-for="(d, i) in found" :key="i" :evidence="{ startMs: d.startMs }" @hear="hear">
          <div class="two">
            <del v-if="d.before">{{ d.before }}</del>
            <ins v-if="d.after">{{ d.after }}</ins>
            <span v-if="!d.after" class="k-soft">left out</span>
            <span v-if="!d.before" class="k-soft">put in</span>
          </div>
        </EvidenceLine>
      </ul>
    </template>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.two {
  font: 400 15px/1.5 var(--serif);
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
del {
  color: var(--wrong);
}
ins {
  text-decoration: none;
  font-weight: 600;
}
</style>
