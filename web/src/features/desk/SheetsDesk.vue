<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, must, type SheetEntry, type SheetForm } from '@/api/client'
import ComparedThings from '@/features/sheets/ComparedThings.vue'
import { sheetForms } from '@/features/sheets/forms'
import SheetPanel from '@/features/sheets/SheetPanel.vue'
import SheetWriter from '@/features/sheets/SheetWriter.vue'
import { useNotice } from '@/shared/notice'
import { count } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import { useLoaded } from '@/shared/useLoaded'
import StudyWanted from './StudyWanted.vue'
import { wantedOf } from '@/features/sheets/wanted'
import { useDesk } from './useDesk'

/** The sheets of a lecture: those there are, one of them open, or another one to be made. */
const { lecture, version, hear, show } = useDesk()
const notice = useNotice()
const latest = useLatest()
const route = useRoute()
const router = useRouter()
const sheets = ref<SheetEntry[] | null>(null)
const open = ref<number | null>(Number(route.query.sheet) || null)
const wanted = ref(wantedOf(1))
const making = ref<SheetForm | null>(null)
const params = { path: { id: lecture.value.id } }

const load = () =>
  latest(
    () => must(api.GET('/api/lectures/{id}/sheets', { params })),
    (there) => (sheets.value = there),
    notice.fail,
  )
onMounted(load)
const { value: writers } = useLoaded(() => must(api.GET('/api/writer')))
watch(version, load)
watch(
  () => route.query.sheet,
  (sheet) => (open.value = Number(sheet) || null),
)

function go(sheet: number | null) {
  open.value = sheet
  void router.replace({ query: { ...route.query, sheet: sheet ? String(sheet) : undefined } })
  if (sheet) return
  show([])
  void load()
}

const isComparing = ref(false)
async function make(form: SheetForm, compared: string[] | null = null) {
  if (form === 'comparison' && !compared) {
    isComparing.value = !isComparing.value
    return
  }
  making.value = form
  const { chapter, ofMarks, subject } = wanted.value
  const body = { form, chapter, ofMarks, subject, compared }
  const made = await notice.attempt(() => must(api.POST('/api/lectures/{id}/sheets', { params, body })))
  making.value = null
  if (made) go(made.id)
}

function removed(sheet: number) {
  go(null)
  notice.tell('The sheet was taken away.', () => {
    const call = api.POST('/api/sheets/{sheet}/restore', { params: { path: { sheet } } })
    void notice.attempt(() => must(call)).then(load)
  })
}
</script>

<template>
  <div class="body">
    <SheetPanel
      v-if="open"
      :key="open"
      :sheet-id="open"
      :version="version"
      back="All sheets"
      @hear="hear($event.startMs)"
      @shown="show"
      @closed="go(null)"
      @removed="removed(open)"
    />
    <template v-else-if="sheets">
      <ul v-if="sheets.length" class="there">
        <li v-for="s in sheets" :key="s.id">
          <button class="k-link" type="button" @click="go(s.id)">{{ s.name }}</button>
          <span class="k-soft">{{ count(s.lines, 'line') }}</span>
        </li>
      </ul>
      <h3>{{ sheets.length ? 'Make another' : 'Make a sheet' }}</h3>
      <p v-if="!sheets.length" class="k-soft">
        A page to learn from, in the lecturer’s own words. Each line plays where it was said, and you word it as you
        like.
      </p>
      <StudyWanted v-model="wanted" />
      <ul class="forms">
        <li v-for="f in sheetForms" :key="f.form">
          <button
            type="button"
            :disabled="making !== null"
            :aria-expanded="f.form === 'comparison' ? isComparing : undefined"
            @click="make(f.form)"
          >
            <b>{{ f.name }}</b>
            <span class="k-soft">{{ making === f.form ? 'is being made …' : f.what }}</span>
          </button>
          <ComparedThings
            v-if="f.form === 'comparison' && isComparing"
            :lecture-id="lecture.id"
            :is-making="making !== null"
            @make="make('comparison', $event)"
          />
        </li>
      </ul>
      <SheetWriter
        v-if="writers?.writer?.isOn"
        :lecture-id="lecture.id"
        :writers="writers"
        :wanted="wanted"
        @written="go($event.id)"
      />
    </template>
  </div>
</template>

<style scoped src="./desk.css"></style>
<style scoped>
.there,
.forms {
  list-style: none;
  padding: 0;
}
.there li {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  align-items: baseline;
  padding: 9px 0;
  border-bottom: 1px solid var(--hair);
}
.there .k-soft {
  font-size: 13.5px;
  white-space: nowrap;
}
.forms {
  margin-top: 12px;
}
.forms li {
  border-top: 1px solid var(--hair);
}
.forms button {
  display: grid;
  grid-template-columns: 132px 1fr;
  gap: 12px;
  align-items: baseline;
  width: 100%;
  text-align: left;
  padding: 9px 0;
}
.forms button:hover b {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.forms b {
  font-weight: 600;
}
</style>
