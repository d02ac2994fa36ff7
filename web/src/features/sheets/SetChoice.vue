<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, must, type SheetForm, type StudySet } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { plainForms } from './forms'
import { choiceOf, isEmpty, toggled, type Choice } from './choice'

/** What study material is to be made; a choice can be kept by a name and taken again. */
const choice = defineModel<Choice>({ required: true })
const notice = useNotice()
const kept = ref<StudySet[]>([])
const name = ref('')
const isNaming = ref(false)
const forms = plainForms

const all = (call: () => Promise<StudySet[]>) => notice.attempt(call).then((sets) => sets && (kept.value = sets))
onMounted(() => all(() => must(api.GET('/api/study-sets'))))

const take = (set: StudySet) => (choice.value = choiceOf(set))
async function keep() {
  const body = { ...choice.value, name: name.value }
  if (!(await all(() => must(api.PUT('/api/study-sets', { body }))))) return
  isNaming.value = false
  name.value = ''
}
const forget = (set: StudySet) =>
  all(() => must(api.DELETE('/api/study-sets', { params: { query: { name: set.name } } })))
const toggle = (form: SheetForm) => (choice.value = toggled(choice.value, form))
</script>

<template>
  <div class="choice">
    <ul v-if="kept.length" class="kept" aria-label="Kept sets">
      <li v-for="s in kept" :key="s.name">
        <button class="k-link" type="button" @click="take(s)">{{ s.name }}</button>
        <button class="k-quiet" type="button" :aria-label="`Forget the set ${s.name}`" @click="forget(s)">×</button>
      </li>
    </ul>
    <div class="kinds">
      <label><input v-model="choice.summary" type="checkbox" /> A summary</label>
      <label><input v-model="choice.cards" type="checkbox" /> Cards</label>
      <label><input v-model="choice.quiz" type="checkbox" /> A quiz</label>
    </div>
    <p class="k-soft">Sheets</p>
    <div class="kinds">
      <label v-for="f in forms" :key="f.form" :title="f.what"
        ><input type="checkbox" :checked="choice.sheets.includes(f.form)" @change="toggle(f.form)" />
        {{ f.name }}</label
      >
    </div>
    <p v-if="!isNaming">
      <button class="k-link" type="button" :disabled="isEmpty(choice)" @click="isNaming = true">
        Keep this choice by a name
      </button>
    </p>
    <p v-else class="naming">
      <input
        v-model="name"
        maxlength="60"
        aria-label="Name of the set"
        placeholder="Before the exam"
        @keydown.enter.prevent="keep"
      />
      <button class="k-link" type="button" :disabled="!name.trim()" @click="keep">Keep</button>
      <button class="k-quiet" type="button" @click="isNaming = false">Leave it</button>
    </p>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 8px;
}
.kept {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.kept li {
  display: flex;
  gap: 6px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
}
.naming {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: baseline;
}
.naming input {
  border: 1px solid var(--hair);
  border-radius: 4px;
  padding: 5px 8px;
  background: var(--paper);
  color: inherit;
  font: inherit;
}
</style>
