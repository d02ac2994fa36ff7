<script setup lang="ts">
import { computed } from 'vue'
import type { Answer, Evidence } from '@/api/client'
import AnsweringQuote from '@/shared/evidence/AnsweringQuote.vue'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { day } from '@/shared/time'

/** What was found, in the form that was asked for: each line with its time and the lecture's own words. */
const props = defineProps<{
  answer: Answer
  /** Names what was kept, so that new words of the lecture can be taken; null where nothing was kept. */
  takeKey: string | null
  /** Says of which lecture each line is. */
  namesLectures?: boolean
  /** The line that is heard at this moment. */
  playing?: string | null
}>()
const emit = defineEmits<{ hear: [line: Evidence]; taken: [] }>()

const byId = computed(() => new Map(props.answer.lectures.map((l) => [l.id, l])))
const isFirmly = computed(() => props.answer.state === 'said')
const whereOf = (line: Evidence) => {
  if (!props.namesLectures) return undefined
  const lecture = byId.value.get(line.lectureId)
  return lecture ? [lecture.title, day(lecture.heldOn)].filter(Boolean).join(' · ') : 'A lecture that is no longer here'
}
const linkOf = (line: Evidence) =>
  props.namesLectures && byId.value.has(line.lectureId)
    ? { name: 'lecture', params: { id: line.lectureId }, query: { t: Math.floor(line.startMs / 1000) } }
    : undefined
const hasSound = (line: Evidence) => byId.value.get(line.lectureId)?.hasSound ?? false
const items = computed(() => {
  const quote = props.answer.lines[0]?.quote ?? ''
  return props.answer.items.map((p) => quote.slice(p.from, p.to))
})
const isSteps = computed(() => props.answer.form === 'steps')
</script>

<template>
  <p v-if="typeof answer.saysYes === 'boolean'" class="verdict">{{ answer.saysYes ? 'Yes' : 'No' }}</p>
  <p v-if="answer.differs" class="differs">The lectures differ here.</p>
  <div v-if="answer.sides.length" class="sides" :class="{ stacked: answer.form === 'questions' }">
    <section v-for="side in answer.sides" :key="side.name" :aria-label="side.name">
      <h3>{{ side.name }}</h3>
      <p v-if="side.state === 'notSaid'" class="k-soft">Not said here.</p>
      <p v-else-if="side.state === 'perhaps'" class="k-soft">Perhaps; nothing says it outright:</p>
      <ul class="lines">
        <EvidenceLine
          v-for="line in side.lines"
          :key="`${line.lectureId}${line.startMs}`"
          :evidence="line"
          :has-sound="hasSound(line)"
          :is-playing="playing === `${line.lectureId}-${line.startMs}`"
          :where="answer.sides.length > 2 ? undefined : whereOf(line)"
          :link="linkOf(line)"
          @hear="emit('hear', line)"
        />
      </ul>
    </section>
  </div>
  <ul v-else class="lines">
    <EvidenceLine
      v-for="(line, i) in answer.lines"
      :key="`${line.lectureId}${line.startMs}`"
      :class="{ nearly: answer.state === 'notSaid' }"
      :evidence="line"
      :has-sound="hasSound(line)"
      :is-playing="playing === `${line.lectureId}-${line.startMs}`"
      :where="whereOf(line)"
      :link="linkOf(line)"
      :take-key="takeKey"
      :shows-chapter="!namesLectures"
      @hear="emit('hear', line)"
      @taken="emit('taken')"
    >
      <component :is="isSteps ? 'ol' : 'ul'" v-if="i === 0 && items.length" class="items">
        <li v-for="(item, n) in items" :key="n">{{ item }}</li>
      </component>
      <AnsweringQuote
        v-if="i > 0 || !items.length || !isSteps"
        :class="{ beneath: i === 0 && items.length > 0 }"
        :quote="line.quote"
        :part="answer.state === 'notSaid' ? undefined : answer.parts[i]"
        :is-firm="isFirmly"
      />
      <template #after><slot :line="line" :index="i" /></template>
    </EvidenceLine>
  </ul>
</template>

<style scoped>
.lines {
  list-style: none;
  padding: 0;
}
.nearly {
  color: var(--soft);
}
.verdict {
  font: 600 22px/1.3 var(--serif);
  margin-bottom: 6px;
}
.differs {
  font-weight: 600;
  border-left: 3px solid var(--buff);
  padding-left: 10px;
  margin-bottom: 8px;
}
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(240px, 44%), 1fr));
  gap: 6px 22px;
}
h3 {
  margin: 0;
  font: 600 16px/1.35 var(--serif);
  padding-bottom: 4px;
  border-bottom: 1px solid var(--ink);
  overflow-wrap: anywhere;
}
.stacked {
  grid-template-columns: 1fr;
}
.sides .lines :deep(li:first-child) {
  border-top: 0;
}
.sides .lines {
  margin: 0;
}
.items {
  font: 400 16px/1.5 var(--serif);
  padding-left: 20px;
  margin-bottom: 4px;
}
.items li::marker {
  color: var(--sea);
  font-weight: 600;
}
.beneath {
  font-size: 14px;
  color: var(--soft);
}
</style>
