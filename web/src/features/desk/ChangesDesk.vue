<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { api, must, type Difference } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { clock, count } from '@/shared/time'

const props = defineProps<{ lectureId: string; version: number }>()
const emit = defineEmits<{ hear: [ms: number]; evidence: [spans: { startMs: number; endMs: number }[]] }>()
const notice = useNotice()
const found = ref<Difference[] | null>(null)

async function load() {
  const answer = await notice.attempt(() =>
    must(api.GET('/api/lectures/{id}/differences', { params: { path: { id: props.lectureId } } })),
  )
  if (!answer) return
  found.value = answer
  emit(
    'evidence',
    answer.map(({ startMs, endMs }) => ({ startMs, endMs })),
  )
}
onMounted(load)
watch(() => props.version, load)
</script>

<template>
  <div class="body">
    <p v-if="found && !found.length" class="k-soft">Every word reads as it was written first.</p>
    <template v-else-if="found">
      <p class="k-soft">{{ count(found.length, 'place') }} read otherwise than they were written first.</p>
      <ul class="lines">
        <li v-for="(d, i) in found" :key="i">
          <button
            class="k-link k-time"
            type="button"
            :aria-label="`Hear ${clock(d.startMs)}`"
            @click="emit('hear', d.startMs)"
          >
            {{ clock(d.startMs) }}
          </button>
          <div class="two">
            <del v-if="d.before">{{ d.before }}</del>
            <ins v-if="d.after">{{ d.after }}</ins>
            <span v-if="!d.after" class="k-soft">left out</span>
            <span v-if="!d.before" class="k-soft">put in</span>
          </div>
        </li>
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
