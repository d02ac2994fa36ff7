<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { useOverview } from '@/features/listening/useOverview'
import { formats } from '@/features/sheets/useSheetFiles'
import { count } from '@/shared/time'
import StudyWanted from './StudyWanted.vue'
import { wantedOf } from '@/features/sheets/wanted'
import { useDesk } from './useDesk'
import { useStudy } from './useStudy'

const { lecture, marks, hear, show } = useDesk()
const { study, isBusy, makeSummary, load } = useStudy()

const lengths = [
  { name: 'Some sentences of each chapter' },
  { name: 'A line', length: 'line' },
  { name: 'Short', length: 'short' },
  { name: 'Half a page', length: 'half' },
  { name: 'A page', length: 'page' },
  { name: '2 minutes to read', minutes: 2 },
  { name: '5 minutes to read', minutes: 5 },
]
const length = ref(lengths[0])
const wanted = ref(wantedOf(1))
const isAsking = ref(false)
const marksFirst = ref(true)
const files = formats.map((f) => ({
  title: f.title,
  address: `/api/lectures/${lecture.value.id}/summary/export?format=${f.format}`,
}))
const facts = computed(() => {
  const reading = study.value?.reading
  return reading ? `${count(reading.words, 'word')}, read from school year ${reading.schoolYear}` : ''
})
const overview = useOverview()
const hearAll = () => overview(`${lecture.value.title}: summary`, study.value?.summary?.flatMap((p) => p.lines) ?? [])
async function make() {
  await makeSummary({
    length: length.value?.length ?? null,
    minutes: length.value?.minutes ?? null,
    chapter: wanted.value.chapter,
    ofMarks: wanted.value.ofMarks,
    subject: wanted.value.subject,
    marksFirst: marksFirst.value,
  })
  isAsking.value = false
}
watch(study, (s) => show(s?.summary?.flatMap((p) => p.lines) ?? []))
</script>

<template>
  <div class="body">
    <form v-if="study && (!study.summary || isAsking)" class="start" @submit.prevent="make">
      <p class="k-soft">The sentences that say most, in the lecturer’s own words.</p>
      <label class="length">
        <span class="k-soft">Length</span>
        <select v-model="length">
          <option v-for="l in lengths" :key="l.name" :value="l">{{ l.name }}</option>
        </select>
      </label>
      <StudyWanted v-model="wanted" />
      <label v-if="marks.length && !wanted.ofMarks" class="first">
        <input v-model="marksFirst" type="checkbox" /> What I marked comes first
      </label>
      <p class="go">
        <v-btn type="submit" :loading="isBusy">Make a summary</v-btn>
        <button v-if="study.summary" class="k-quiet" type="button" @click="isAsking = false">Leave it</button>
      </p>
    </form>
    <p v-else-if="study" class="again">
      <button class="k-link" type="button" @click="isAsking = true">Longer, shorter, of a part</button>
      <v-menu>
        <template #activator="{ props: menu }">
          <button class="k-link" type="button" v-bind="menu">Take away <span aria-hidden="true">▾</span></button>
        </template>
        <v-list>
          <v-list-item v-for="f in files" :key="f.title" :title="f.title" :href="f.address" download />
        </v-list>
      </v-menu>
      <button v-if="lecture.hasSound" class="k-link" type="button" @click="hearAll">Hear it as one</button>
      <span class="k-soft">{{ facts }}</span>
    </p>
    <section v-for="part in study?.summary ?? []" :key="part.startMs">
      <h3>{{ part.chapter }}</h3>
      <ul class="lines">
        <EvidenceLine
          v-for="line in part.lines"
          :key="line.startMs"
          :evidence="line"
          :take-key="study?.summaryKey"
          @hear="hear"
          @taken="load"
        />
      </ul>
    </section>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.length .k-soft {
  min-width: 52px;
}
.first {
  display: flex;
  gap: 8px;
  align-items: center;
}
.length,
.go,
.again {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: baseline;
}
.length {
  gap: 8px;
}
.again .k-soft {
  font-size: 13.5px;
}
</style>
