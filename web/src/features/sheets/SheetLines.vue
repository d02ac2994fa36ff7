<script setup lang="ts">
import type { Evidence, Sheet } from '@/api/client'
import { pictureOf } from './pictureOf'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'

/** What stands on a sheet. A line of several cells has the first as its head, and the others below, each with what it is. */
const props = defineProps<{ sheet: Sheet; playing?: string | null }>()
defineEmits<{ hear: [line: Evidence]; taken: [] }>()

const lecture = (line: Evidence) => props.sheet.lectures.find((l) => l.id === line.lectureId)
const isOfCourse = () => props.sheet.course !== null
/** Which lecture says it: the first column of a sheet that was made of several. */
const whereOf = (line: Sheet['parts'][number]['lines'][number]) =>
  props.sheet.columns.length > 1 ? line.cells[0] : line.source ? lecture(line.source)?.title : undefined
/** Where a line of a course stands; on a lecture's sheet that goes without saying. */
const link = (line: Evidence) =>
  isOfCourse() && lecture(line)
    ? { name: 'lecture', params: { id: line.lectureId }, query: { t: Math.floor(line.startMs / 1000) } }
    : undefined
</script>

<template>
  <section v-for="(part, i) in sheet.parts" :key="i">
    <h3 v-if="part.heading">{{ part.heading }}</h3>
    <ul class="lines">
      <template v-for="(line, k) in part.lines" :key="k">
        <EvidenceLine
          v-if="line.source"
          :evidence="line.source"
          :take-key="sheet.key"
          :has-sound="lecture(line.source)?.hasSound ?? false"
          :is-playing="playing === `${line.source.lectureId}-${line.source.startMs}`"
          :where="isOfCourse() ? whereOf(line) : undefined"
          :link="link(line.source)"
          @hear="$emit('hear', line.source)"
          @taken="$emit('taken')"
        >
          <span v-if="isOfCourse()" class="said">{{ line.cells.at(-1) }}</span>
          <component :is="sheet.columns.length > 1 ? 'dl' : 'div'" v-else :class="{ pair: sheet.columns.length === 2 }">
            <template v-for="(cell, c) in line.cells" :key="c">
              <span v-if="sheet.columns.length === 1" class="said">{{ cell }}</span>
              <template v-else-if="cell">
                <dt :class="{ head: c === 0 }">{{ c === 0 ? cell : sheet.columns[c] }}</dt>
                <dd v-if="c > 0" class="said">{{ cell }}</dd>
              </template>
            </template>
          </component>
          <img v-if="line.picture" :src="pictureOf(sheet.id, line.picture)" alt="" loading="lazy" />
        </EvidenceLine>
        <li v-else class="mine">
          <span class="k-soft k-time">Mine</span>
          <div>
            <p v-for="(cell, c) in line.cells.filter(Boolean)" :key="c" class="said">{{ cell }}</p>
            <img v-if="line.picture" :src="pictureOf(sheet.id, line.picture)" alt="" loading="lazy" />
          </div>
        </li>
      </template>
    </ul>
  </section>
  <EvidenceLine
    v-if="sheet.foot"
    class="foot"
    :evidence="sheet.foot"
    :take-key="sheet.key"
    @hear="sheet.foot && $emit('hear', sheet.foot)"
    @taken="$emit('taken')"
  />
</template>

<style scoped>
h3 {
  font-size: 16px;
  margin: 16px 0 6px;
}
.lines {
  list-style: none;
  padding: 0;
}
.said {
  font: 400 16px/1.5 var(--serif);
  overflow-wrap: anywhere;
  white-space: pre-line;
}
img {
  display: block;
  max-width: 100%;
  max-height: 300px;
  margin: 6px 0;
}
dt {
  font-size: 13px;
  color: var(--soft);
}
dt.head {
  font: 600 16px/1.4 var(--serif);
  color: inherit;
}
dd {
  margin: 0 0 2px;
}
/* Two columns: the second speaks for itself. */
.pair dt:not(.head) {
  display: none;
}
.mine {
  display: grid;
  grid-template-columns: 54px 1fr;
  border-top: 1px solid var(--hair);
  padding: 8px 0;
  align-items: baseline;
}
.foot {
  list-style: none;
  border-top: 2px solid var(--ink);
  margin-top: 14px;
}
</style>
