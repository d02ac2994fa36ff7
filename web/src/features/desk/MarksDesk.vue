<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { MarkKind } from '@/api/client'
import { isOpen, markKinds, markTitle } from '@/page/marks'
import EvidenceLine from '@/shared/evidence/EvidenceLine.vue'
import { clock, count } from '@/shared/time'
import { useDesk } from './useDesk'

const { lecture, marks, timeMs, hear, show, openMark, addPicture } = useDesk()
const kind = ref<MarkKind | 'all'>('all')
const picker = ref<HTMLInputElement>()
const label = ref<string | null>(null)

const kinds = computed(() =>
  (Object.keys(markKinds) as MarkKind[]).filter((k) => marks.value.some((m) => m.kind === k)),
)
const labels = computed(() => [...new Set(marks.value.filter((m) => m.kind === 'label').map((m) => m.text))].sort())
const shown = computed(() =>
  marks.value.filter(
    (m) =>
      (kind.value === 'all' || m.kind === kind.value) &&
      (kind.value !== 'label' || !label.value || m.text === label.value),
  ),
)
const open = computed(() => marks.value.filter(isOpen).length)
function chosen() {
  for (const file of picker.value?.files ?? []) addPicture(file)
  if (picker.value) picker.value.value = ''
}
watch(kind, () => (label.value = null))
watch(shown, (places) => show(kind.value === 'all' ? [] : places), { immediate: true })
</script>

<template>
  <div class="body">
    <p class="top">
      <button class="k-link" type="button" @click="picker?.click()">Add a picture at {{ clock(timeMs) }}</button>
      <input
        ref="picker"
        class="picker"
        type="file"
        accept="image/*"
        multiple
        tabindex="-1"
        aria-label="Choose a picture"
        @change="chosen"
      />
    </p>
    <p v-if="!marks.length" class="k-soft">
      Nothing is marked yet. Select words on the page, or press a key while you listen:
      <span class="k-key">k</span> key, <span class="k-key">x</span> for the exam, <span class="k-key">w</span> unclear,
      <span class="k-key">t</span> note. A picture is dropped or pasted where it was shown.
    </p>
    <template v-else>
      <div class="filter" role="radiogroup" aria-label="Which marks">
        <label><input v-model="kind" type="radio" value="all" /> All {{ marks.length }}</label>
        <label v-for="k in kinds" :key="k"
          ><input v-model="kind" type="radio" :value="k" /> <span aria-hidden="true">{{ markKinds[k].sign }}</span>
          {{ markKinds[k].name }}</label
        >
      </div>
      <div v-if="kind === 'label' && labels.length > 1" class="filter">
        <button
          v-for="l in labels"
          :key="l"
          class="k-quiet"
          :class="{ on: label === l }"
          type="button"
          @click="label = label === l ? null : l"
        >
          {{ l }}
        </button>
      </div>
      <p v-if="open && kind !== 'label'" class="k-soft small">{{ count(open, 'place') }} still unclear</p>
      <ul class="lines">
        <EvidenceLine
          v-for="m in shown"
          :key="m.id"
          :class="{ open: isOpen(m) }"
          :evidence="{ startMs: m.startMs }"
          @hear="hear"
        >
          <div>
            <button class="what" type="button" @click="openMark(m)">
              <span aria-hidden="true">{{ markKinds[m.kind].sign }}</span> {{ markTitle(m) }}
            </button>
            <p v-if="m.text && m.kind !== 'label'">{{ m.text }}</p>
            <p v-if="m.resolved" class="learned">Learned: {{ m.resolved }}</p>
            <p v-if="m.quote" class="quote">{{ m.quote }}</p>
            <p v-if="m.now !== null" class="changed">Source changed. Now: {{ m.now }}</p>
          </div>
        </EvidenceLine>
      </ul>
      <p class="out">
        <a :href="`/api/lectures/${lecture.id}/export?format=marks`" download>Take the marks away as a table</a>
      </p>
    </template>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.top {
  padding-bottom: 8px;
}
.picker {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
.filter {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  font-size: 14px;
  padding-bottom: 6px;
}
.on {
  color: var(--ink);
  text-decoration: underline;
}
.what {
  font-weight: 600;
  text-align: left;
}
.what:hover {
  text-decoration: underline;
}
.open .what,
.changed {
  color: var(--wrong);
}
.quote {
  font: 400 14.5px/1.45 var(--serif);
  color: var(--soft);
  display: -webkit-box;
  -webkit-line-clamp: 4;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.small,
.changed,
.learned {
  font-size: 14px;
}
.out {
  padding-top: 8px;
}
</style>
