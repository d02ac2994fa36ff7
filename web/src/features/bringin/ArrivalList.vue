<script setup lang="ts">
import { computed, onUnmounted, ref } from 'vue'
import { api, must } from '@/api/client'
import { useDoneNotices } from '@/shared/doneNotices'
import LectureLine from '@/shared/LectureLine.vue'
import { useLive } from '@/shared/live'
import { useNotice } from '@/shared/notice'
import { count, duration } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import SameRecording from './SameRecording.vue'
import UploadList from './UploadList.vue'
import { useUploads } from './uploads'

/** Everything on its way in: what is sent, fetched, written down, waits, or came to nothing. */
const shownAtFirst = 12
const live = useLive()
const notice = useNotice()
const uploads = useUploads()
const done = useDoneNotices()
const showsAll = ref(false)
const { value: arrivals, load } = useLoaded(() => must(api.GET('/api/arrivals')))
defineExpose({ load })

const working = computed(() =>
  (arrivals.value?.working ?? [])
    .map((l) => ({ ...l, progress: live.reports.get(l.id) ?? l.progress }))
    .filter((l) => l.progress?.state !== 'done'),
)
const shown = computed(() => (showsAll.value ? working.value : working.value.slice(0, shownAtFirst)))
const isOpen = (state?: string) => state === 'running' || state === 'waiting'
const openCount = computed(() => working.value.filter((l) => isOpen(l.progress?.state)).length)
const soundMs = computed(() =>
  working.value.filter((l) => isOpen(l.progress?.state)).reduce((sum, l) => sum + l.durationMs, 0),
)
const failed = computed(() => working.value.filter((l) => l.progress?.state === 'failed'))
/** Recordings that are there already, sent from another window or before. */
const same = computed(() =>
  (arrivals.value?.unfinished ?? []).filter((u) => u.same && !uploads.items.some((i) => i.uploadId === u.id)),
)
const isEmpty = computed(() => !working.value.length && !same.value.length && !uploads.items.length)

async function act(call: () => Promise<unknown>) {
  await notice.attempt(call)
  await load()
}
const moveUp = (id: string) => act(() => must(api.POST('/api/lectures/{id}/first', { params: { path: { id } } })))
const stopAll = () => act(() => must(api.POST('/api/jobs/cancel')))
const retryAll = () =>
  act(() =>
    Promise.all(
      failed.value.map((l) => must(api.POST('/api/lectures/{id}/retry', { params: { path: { id: l.id } } }))),
    ),
  )
const onceMore = (id: string) => act(() => must(api.POST('/api/uploads/{id}/once-more', { params: { path: { id } } })))
const leave = (id: string) => act(() => must(api.DELETE('/api/uploads/{id}/unfinished', { params: { path: { id } } })))

const stops = [
  live.listen((p) => {
    if (p.state !== 'running' || !arrivals.value?.working.some((l) => l.id === p.lectureId)) void load()
  }),
  uploads.onFinished(load),
]
onUnmounted(() => stops.forEach((stop) => stop()))
</script>

<template>
  <section v-if="!isEmpty" aria-labelledby="on-its-way">
    <div class="head">
      <h2 id="on-its-way">On its way</h2>
      <span class="acts">
        <button v-if="openCount && done.canAsk.value" class="k-quiet" type="button" @click="done.ask">
          Tell me when it is done
        </button>
        <button v-if="failed.length > 1" class="k-quiet" type="button" @click="retryAll">
          Try all {{ failed.length }} again
        </button>
        <button v-if="openCount > 1" class="k-quiet" type="button" @click="stopAll">Stop all {{ openCount }}</button>
      </span>
    </div>
    <p v-if="openCount > 1" class="k-soft sum">
      {{ count(openCount, 'lecture') }}<template v-if="soundMs">, {{ duration(soundMs) }} of sound</template>, one after
      the other in this order.
    </p>
    <UploadList />
    <ul v-if="same.length" class="k-rows">
      <li v-for="u in same" :key="u.id" class="same">
        <b>{{ u.title }}</b>
        <SameRecording :same="u.same!" @once-more="onceMore(u.id)" @leave="leave(u.id)" />
      </li>
    </ul>
    <ul v-if="working.length" class="k-rows" aria-label="Fetched, written down or waiting">
      <li v-for="(l, i) in shown" :key="l.id">
        <LectureLine :lecture="l" with-course @changed="load">
          <template #job>
            <button
              v-if="l.progress?.state === 'waiting' && i > 0"
              class="k-quiet"
              type="button"
              @click.stop.prevent="moveUp(l.id)"
            >
              Move up
            </button>
          </template>
        </LectureLine>
      </li>
    </ul>
    <button v-if="working.length > shown.length" class="k-link more" type="button" @click="showsAll = true">
      Show all {{ count(working.length, 'lecture') }}
    </button>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 6px;
}
section {
  margin-top: 40px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 6px 20px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  font-size: 14px;
}
.sum {
  font-size: 14px;
  padding-bottom: 6px;
}
.same {
  padding: 10px 0;
}
b {
  font: 600 16px/1.35 var(--serif);
  overflow-wrap: anywhere;
}
.more {
  margin-top: 10px;
}
</style>
