<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, useTemplateRef, watch } from 'vue'
import {
  api,
  hasCode,
  must,
  Problem,
  type EarlierSheet,
  type Evidence,
  type Sheet,
  type SheetDifference,
} from '@/api/client'
import { useOverview } from '@/features/listening/useOverview'
import SheetCards from './SheetCards.vue'
import SheetLines from './SheetLines.vue'
import type { EditedPart } from './editing/content'
import WrittenBy from './WrittenBy.vue'
import { useQuizOfSheet } from './useQuizOfSheet'
import { useSheetFiles } from './useSheetFiles'
import { useNotice } from '@/shared/notice'
import { count, moment } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import { useUnsaved } from '@/shared/useUnsaved'

const SheetEditor = defineAsyncComponent(() => import('./editing/SheetEditor.vue'))

/** One sheet: read, worded otherwise, made again, taken back to what it was, taken away. */
const props = withDefaults(
  defineProps<{
    sheetId: number
    /** Goes up when what the lecture says changes. */
    version?: number
    /** The place that is played, as lecture and start. */
    playing?: string | null
    /** What leads back to the others; to its course where nothing is said. */
    back?: string
  }>(),
  { version: 0, playing: null, back: '' },
)
const emit = defineEmits<{
  closed: [course: string | null]
  removed: [course: string | null]
  hear: [line: Evidence]
  shown: [sources: readonly Evidence[]]
}>()
const notice = useNotice()
const latest = useLatest()
const sheet = ref<Sheet | null>(null)
const isWorded = ref(false)
const editor = useTemplateRef<{ parts(): EditedPart[] }>('editor')
const name = ref('')
const isStale = ref(false)
const differences = ref<SheetDifference[] | null>(null)
const earlier = ref<EarlierSheet[] | null>(null)
const isBusy = ref(false)
const isAsking = ref(false)
const { isMaking, makeQuiz } = useQuizOfSheet(() => sheet.value)
const path = { sheet: props.sheetId }
const params = { path }
const files = useSheetFiles(() => ({ ...path, form: sheet.value?.form ?? 'own' }))
const hasSound = computed(() => sheet.value?.lectures.some((l) => l.hasSound) ?? false)
const sources = computed(() => sheet.value?.parts.flatMap((p) => p.lines.flatMap((l) => l.source ?? [])) ?? [])
const overview = useOverview()
const hearAll = () => {
  const of = sheet.value?.course ?? sheet.value?.lectures[0]?.title ?? ''
  return overview(`${of}: ${sheet.value?.name}`, sources.value)
}
const hasLines = computed(() => sheet.value?.parts.some((p) => p.lines.length) ?? false)

function take(now: Sheet) {
  sheet.value = now
  differences.value = earlier.value = null
  isStale.value = isWorded.value = false
  emit('shown', sources.value)
}
const load = () => latest(() => must(api.GET('/api/sheets/{sheet}', { params })), take, gone)
function gone(e: unknown) {
  notice.fail(e)
  if (e instanceof Problem && e.status === 404) emit('closed', null)
}
onMounted(load)
// What is being worded stays; it is told when it is saved.
watch(
  () => props.version,
  () => !isWorded.value && load(),
)
useUnsaved(() => isWorded.value)

function edit() {
  if (!sheet.value) return
  ;[name.value, isWorded.value] = [sheet.value.name, true]
}

/** Does something that gives the sheet as it is then. */
async function run(call: () => Promise<Sheet>) {
  isBusy.value = true
  try {
    take(await call())
  } catch (e) {
    if (isWorded.value && hasCode(e, 'changed-elsewhere')) isStale.value = true
    else notice.fail(e)
  }
  isBusy.value = false
}
function save(over: boolean) {
  if (!editor.value || !sheet.value) return
  const body = { name: name.value, parts: editor.value.parts(), version: sheet.value.version, over }
  return run(() => must(api.PUT('/api/sheets/{sheet}', { params, body })))
}
async function compare() {
  isBusy.value = true
  const found = await notice.attempt(() => must(api.GET('/api/sheets/{sheet}/again', { params })))
  isBusy.value = false
  if (!found) return
  if (found.differences.length) differences.value = found.differences
  else notice.tell('It would be the same. Nothing was changed.')
}
const again = () =>
  run(() => must(api.POST('/api/sheets/{sheet}/again', { params, body: { version: sheet.value?.version ?? 0 } })))
async function look() {
  const there = await notice.attempt(() => must(api.GET('/api/sheets/{sheet}/earlier', { params })))
  if (there) earlier.value = there
}
const goBack = (to: number) =>
  run(() =>
    must(
      api.POST('/api/sheets/{sheet}/earlier/{version}', {
        params: { path: { ...path, version: to } },
        body: { version: sheet.value?.version ?? 0 },
      }),
    ),
  )
async function remove() {
  const call = api.DELETE('/api/sheets/{sheet}', { params })
  const isGone = await notice.attempt(async () => {
    await must(call)
    return true
  })
  if (isGone) emit('removed', sheet.value?.course ?? null)
}
</script>

<template>
  <div v-if="sheet">
    <p class="top">
      <button v-if="!isWorded" class="k-link" type="button" @click="emit('closed', sheet.course)">
        {{ back || sheet.course }}
      </button>
    </p>
    <form v-if="isWorded" @submit.prevent="save(false)">
      <v-text-field v-model="name" label="Name" maxlength="200" variant="underlined" />
      <SheetEditor ref="editor" :sheet="sheet" />
      <p v-if="isStale" class="problem" role="alert">
        △ This sheet was changed in another window meanwhile. Save yours over it, and the other stays under “Earlier”.
      </p>
      <p class="acts foot">
        <v-btn v-if="isStale" :loading="isBusy" @click="save(true)">Save mine over it</v-btn>
        <v-btn v-else type="submit" :loading="isBusy">Save</v-btn>
        <button class="k-quiet" type="button" @click="load">
          {{ isStale ? 'See the other, mine is dropped' : 'Leave it as it was' }}
        </button>
      </p>
    </form>
    <template v-else-if="isAsking">
      <h2>Cards of “{{ sheet.name }}”</h2>
      <SheetCards :sheet-id="sheetId" @hear="emit('hear', $event)" @closed="isAsking = false" />
    </template>
    <template v-else>
      <h2>{{ sheet.name }}</h2>
      <WrittenBy v-if="sheet.writing" :writing="sheet.writing" />
      <section v-if="differences" class="differences" aria-label="What would change">
        <h3>Made again, this would change</h3>
        <ul>
          <li v-for="(d, i) in differences" :key="i">
            <del v-if="d.before">{{ d.before.filter(Boolean).join(' · ') }}</del>
            <ins v-if="d.after">{{ d.after.filter(Boolean).join(' · ') }}</ins>
          </li>
        </ul>
        <p class="k-soft">What you worded yourself, and what you took out, stays as you left it.</p>
        <p class="acts">
          <v-btn :loading="isBusy" @click="again">Take it</v-btn>
          <button class="k-quiet" type="button" @click="differences = null">Leave it as it is</button>
        </p>
      </section>
      <section v-else-if="earlier" class="differences" aria-label="Earlier">
        <h3>Earlier</h3>
        <p v-if="!earlier.length" class="k-soft">Nothing was changed yet.</p>
        <ul>
          <li v-for="e in earlier" :key="e.version" class="version">
            <span>{{ e.name }}, {{ count(e.lines, 'line') }}, {{ moment(e.at) }}</span>
            <button class="k-link" type="button" @click="goBack(e.version)">Take it back to this</button>
          </li>
        </ul>
        <p class="acts"><button class="k-quiet" type="button" @click="earlier = null">Close</button></p>
      </section>
      <p v-if="!hasLines" class="k-soft">
        Nothing stands here yet. Select words {{ sheet.course ? 'in any lecture of the course' : 'on the page' }} and
        choose “Put on a sheet”, or write.
      </p>
      <SheetLines :sheet="sheet" :playing="playing" @hear="emit('hear', $event)" @taken="load" />
      <p class="acts foot">
        <v-btn variant="outlined" @click="edit">Change</v-btn>
        <v-menu v-if="sources.length">
          <template #activator="{ props: menu }">
            <button class="k-link" type="button" v-bind="menu">Learn it <span aria-hidden="true">▾</span></button>
          </template>
          <v-list>
            <v-list-item title="Make cards of it" @click="isAsking = true" />
            <v-list-item v-if="sheet.lectureId" title="Make a quiz of it" :disabled="isMaking" @click="makeQuiz" />
          </v-list>
        </v-menu>
        <v-menu>
          <template #activator="{ props: menu }">
            <button class="k-link" type="button" v-bind="menu">Take away <span aria-hidden="true">▾</span></button>
          </template>
          <v-list>
            <v-list-item v-for="f in files.formats.value" :key="f.title" :title="f.title" :href="f.address" download />
            <v-list-item title="Copy with its look and links" @click="files.copy" />
          </v-list>
        </v-menu>
        <v-menu>
          <template #activator="{ props: menu }">
            <button class="k-link" type="button" v-bind="menu">More <span aria-hidden="true">▾</span></button>
          </template>
          <v-list>
            <v-list-item v-if="hasSound && sources.length" title="Hear it as one" @click="hearAll" />
            <v-list-item v-if="sheet.form !== 'own'" title="Make it again" :disabled="isBusy" @click="compare" />
            <v-list-item title="Earlier" @click="look" />
            <v-list-item title="Take the sheet away" @click="remove" />
          </v-list>
        </v-menu>
      </p>
    </template>
  </div>
</template>

<style scoped>
.top {
  min-height: 24px;
}
h2 {
  font: 600 21px/1.3 var(--serif);
  margin: 4px 0 8px;
  overflow-wrap: anywhere;
}
h3 {
  font-size: 16px;
  margin: 0 0 6px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
}
.foot {
  position: sticky;
  bottom: -24px;
  background: var(--sheet);
  padding: 12px 0 20px;
  border-top: 1px solid var(--hair);
  margin-top: 16px;
}
.differences {
  border: 1px solid var(--hair);
  padding: 12px 16px;
  margin: 8px 0 16px;
}
.differences ul {
  list-style: none;
  padding: 0;
}
.differences li {
  font: 400 15px/1.45 var(--serif);
  padding: 6px 0;
  border-top: 1px solid var(--hair);
}
del {
  color: var(--soft);
  display: block;
}
ins {
  display: block;
  text-decoration: none;
}
ins::before {
  content: '+ ';
}
.version {
  display: flex;
  gap: 12px;
  justify-content: space-between;
}
.problem {
  color: var(--wrong);
  margin-top: 12px;
}
</style>
