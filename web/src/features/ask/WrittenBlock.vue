<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, must, type Evidence, type Question, type Writers, type Written } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { clock } from '@/shared/time'
import SentPreview from '@/features/writing/SentPreview.vue'
import { whyOf } from '@/features/writing/doubts'
import { useWriting } from './useWriting'

/** What a model of the person's own writes to a question, beside the lecture's own sentences and never instead of them. */
const props = defineProps<{ question: Question; writers: Writers }>()
const emit = defineEmits<{ hear: [line: Evidence]; changed: [written: Written | null] }>()
const notice = useNotice()
const { preview, text, isWriting, problem, begin, write, stop } = useWriting(() => props.question.id)
const instructions = ref<string | null>(null)
const allowsOutside = ref(false)

const written = computed(() => props.question.written ?? null)
const writer = computed(() => props.writers.writer)
const borne = computed(() => written.value?.sentences.filter((s) => !s.doubts.length && !s.isOutside) ?? [])
const outside = computed(() => written.value?.sentences.filter((s) => s.isOutside) ?? [])
const apart = computed(() => written.value?.sentences.filter((s) => s.doubts.length) ?? [])
const named = (places: number[]) => places.flatMap((p) => written.value?.passages[p] ?? [])

async function start() {
  take(await begin({ instructions: instructions.value, allowsOutside: allowsOutside.value }))
}
async function send(showsFirst: boolean) {
  take(await write(showsFirst))
}
function take(now: Written | null) {
  if (now) emit('changed', now)
}
async function remove() {
  const isDone = await notice.attempt(async () => {
    await must(api.DELETE('/api/questions/{question}/written', { params: { path: { question: props.question.id } } }))
    return true
  })
  if (isDone) emit('changed', null)
}
</script>

<template>
  <section v-if="written" class="written" aria-label="Written by a model">
    <p class="by k-soft">
      Written by {{ written.model }} at {{ written.host
      }}<template v-if="written.instructions">, by “{{ written.instructions }}”</template>
    </p>
    <p v-if="!written.sentences.length">It found no answer in the passages.</p>
    <p v-for="(s, i) in borne" :key="`b${i}`" class="sentence">
      {{ s.text }}
      <button
        v-for="(line, n) in named(s.passages)"
        :key="n"
        class="k-link k-time"
        type="button"
        :aria-label="`Hear ${clock(line.startMs)}`"
        @click="emit('hear', line)"
      >
        {{ clock(line.startMs) }}
      </button>
    </p>
    <div v-if="outside.length" class="outside">
      <b>From elsewhere, not from your lectures</b>
      <p v-for="(s, i) in outside" :key="`o${i}`">{{ s.text }}</p>
    </div>
    <div v-if="apart.length" class="apart">
      <b>Not borne out by the lecture</b>
      <p v-for="(s, i) in apart" :key="`a${i}`">
        {{ s.text }} <small class="k-soft">{{ whyOf(s.doubts) }}</small>
      </p>
    </div>
    <p class="acts">
      <button class="k-quiet" type="button" :disabled="isWriting" @click="start">Write it again</button>
      <button class="k-quiet" type="button" @click="remove">Remove it</button>
    </p>
  </section>
  <p v-if="isWriting" class="coming" aria-live="polite">
    {{ text.replaceAll(/\[[^\]]*\]/g, '') || 'Waiting for the model' }}
    <button class="k-link" type="button" @click="stop">Stop</button>
  </p>
  <p v-else-if="problem" class="problem" role="alert">{{ problem }} The lecture’s own sentences stand above.</p>
  <p v-if="!written && !isWriting && writer" class="acts">
    <button class="k-quiet" type="button" @click="start">Let {{ writer.model }} write it out</button>
    <label v-if="writers.instructions.length" class="k-soft">
      by
      <select v-model="instructions" aria-label="Instructions">
        <option :value="null">no instructions</option>
        <option v-for="i in writers.instructions" :key="i.name" :value="i.name">{{ i.name }}</option>
      </select>
    </label>
    <label class="k-soft"><input v-model="allowsOutside" type="checkbox" /> with knowledge from elsewhere</label>
  </p>
  <SentPreview :preview="preview" @send="send" @closed="preview = null" />
</template>

<style scoped>
.written {
  margin-top: 12px;
  padding: 8px 0 8px 14px;
  border-left: 3px double var(--soft);
}
.by {
  font-size: 14px;
}
.sentence {
  margin-top: 6px;
}
.sentence .k-time {
  margin-left: 6px;
  font-size: 14px;
}
.outside,
.apart {
  margin-top: 10px;
  padding-left: 10px;
  border-left: 3px dotted var(--soft);
  font-size: 14px;
}
.apart {
  border-left: 3px solid var(--wrong);
}
.apart small {
  display: block;
}
.coming {
  margin-top: 10px;
  white-space: pre-line;
}
.problem {
  color: var(--wrong);
  margin-top: 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 18px;
  margin-top: 6px;
  font-size: 14px;
}
</style>
