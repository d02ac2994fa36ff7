<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, must } from '@/api/client'
import { megabytes } from '@/features/bringin/sizes'
import EmptyBin from '@/features/library/EmptyBin.vue'
import { useLoaded } from '@/shared/useLoaded'
import { useNotice } from '@/shared/notice'
import { count, day } from '@/shared/time'

const shownAtFirst = 12
const notice = useNotice()
const { value: storage, problem, load } = useLoaded(() => must(api.GET('/api/storage')))
const showsAll = ref(false)
const isEmptying = ref(false)

const parts = computed(() => {
  const s = storage.value
  return s
    ? [
        { name: 'Recordings and pictures', bytes: s.recordingBytes },
        { name: 'Texts, cards, answers and all else', bytes: s.databaseBytes },
        { name: 'In the bin', bytes: s.binBytes },
        { name: 'Files that did not arrive whole', bytes: s.uploadBytes },
        { name: 'Left over', bytes: s.otherBytes },
      ].filter((p) => p.bytes > 0)
    : []
})
const used = computed(() => parts.value.reduce((sum, p) => sum + p.bytes, 0))
const binned = computed(() => storage.value?.lectures.filter((l) => l.isBinned) ?? [])
const lectures = computed(() => storage.value?.lectures.filter((l) => !l.isBinned) ?? [])
const shown = computed(() => (showsAll.value ? lectures.value : lectures.value.slice(0, shownAtFirst)))

async function clear() {
  const gone = await notice.attempt(() => must(api.POST('/api/storage/clear')))
  if (gone)
    notice.tell(
      gone.bytes || gone.files ? `Cleared: ${megabytes(gone.bytes)} freed.` : 'There was nothing to clear away.',
    )
  await load()
}
</script>

<template>
  <div class="k-column">
    <h1>Storage</h1>
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <template v-if="storage">
      <p class="k-soft">
        <code>{{ storage.folder }}</code> · {{ megabytes(used) }} in use, {{ megabytes(storage.freeBytes) }} free on
        this disk
      </p>
      <ul class="k-rows parts">
        <li v-for="p in parts" :key="p.name">
          <span>{{ p.name }}</span>
          <span class="bar" aria-hidden="true"><i :style="{ width: `${(100 * p.bytes) / used}%` }" /></span>
          <span class="k-time">{{ megabytes(p.bytes) }}</span>
        </li>
      </ul>
      <p class="actions">
        <button v-if="binned.length" class="k-link" type="button" @click="isEmptying = true">Empty the bin</button>
        <button class="k-link" type="button" @click="clear">Clear away what is left over</button>
      </p>
      <p class="k-soft small">
        The bin keeps things for 30 days, a file that did not arrive whole stays for 7. What belongs to nothing is
        cleared at each start and once a day.
      </p>

      <h2>Backup</h2>
      <p>The whole library in one archive, as it is at this moment. You can go on working while it is written.</p>
      <p class="actions">
        <a class="k-link" href="/api/backup" download>Save everything</a>
        <a class="k-link" href="/api/backup?recordings=false" download>Save all but the recordings</a>
      </p>
      <p class="k-soft small">
        <code>./kostel restore FILE</code> brings it back into an empty folder, after every byte was checked. The key of
        a transcription service is not in it.
      </p>

      <h2>{{ count(lectures.length, 'lecture') }}, the largest first</h2>
      <ul class="k-rows lectures">
        <li v-for="l in shown" :key="l.id">
          <router-link :to="{ name: 'lecture', params: { id: l.id } }">{{ l.title }}</router-link>
          <span class="k-soft k-time">{{ megabytes(l.bytes) }}</span>
        </li>
      </ul>
      <button v-if="lectures.length > shown.length" class="k-link" type="button" @click="showsAll = true">
        Show all {{ lectures.length }}
      </button>
      <template v-if="binned.length">
        <h2>In the bin</h2>
        <ul class="k-rows lectures">
          <li v-for="l in binned" :key="l.id">
            <span>{{ l.title }}</span>
            <span class="k-soft">{{ megabytes(l.bytes) }} · goes for good on {{ day(l.goesAt) }}</span>
          </li>
        </ul>
      </template>
    </template>
    <EmptyBin v-if="isEmptying" :count="binned.length" @closed="isEmptying = false" @emptied="load" />
  </div>
</template>

<style scoped>
h2 {
  margin: 32px 0 6px;
}
.parts {
  margin-top: 16px;
}
.parts li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px 90px;
  gap: 16px;
  align-items: center;
  padding: 7px 0;
}
.parts li > :last-child {
  text-align: right;
}
.bar {
  height: 7px;
  border: 1px solid var(--sea);
}
.bar i {
  display: block;
  height: 100%;
  background: var(--sea);
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin-top: 10px;
}
.small {
  font-size: 14px;
  margin-top: 6px;
  max-width: 560px;
}
.lectures li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 7px 0;
}
.lectures a {
  color: var(--ink);
}
.problem {
  color: var(--wrong);
  margin-top: 12px;
}
@media (max-width: 620px) {
  .parts li {
    grid-template-columns: minmax(0, 1fr) 80px;
  }
  .bar {
    display: none;
  }
}
</style>
