<script setup lang="ts">
import { api, must } from '@/api/client'
import { megabytes } from '@/features/bringin/sizes'
import { useLoaded } from '@/shared/useLoaded'
import ServiceForm from './ServiceForm.vue'

const { value: known, problem, load, change } = useLoaded(() => must(api.GET('/api/languages')))

const spellings = [
  { value: 'asHeard', title: 'As the recogniser writes it' },
  { value: 'british', title: 'British: colour, centre, analyse' },
  { value: 'american', title: 'American: color, center, analyze' },
] as const
const spell = (spelling: (typeof spellings)[number]['value']) =>
  change(async () => {
    await must(api.PUT('/api/spelling', { body: { spelling } }))
    return must(api.GET('/api/languages'))
  })
</script>

<template>
  <div class="k-column">
    <h1>Languages</h1>
    <p v-if="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <template v-if="known">
      <h2>On this computer</h2>
      <ul class="k-rows">
        <li v-for="l in known.here" :key="l.code">
          <b>{{ l.name }}</b> <span class="k-soft">is written down here; nothing leaves this computer.</span>
        </li>
        <li v-for="p in known.packs" :key="p.code">
          <b>{{ p.name }}</b> <span class="k-soft">can be added. {{ p.licence }}</span>
          <div class="add">
            Type <code>{{ p.command }}</code> where Kostel is; the licence is shown first. Then start Kostel again.
          </div>
        </li>
      </ul>
      <p class="k-soft after">
        Leave the language open when you bring something in, and it is found out from the first half minute of speech.
        Cards, quizzes and numbers in figures are made for English; reading, listening, asking and summaries work in
        every language.
      </p>
      <h2>Recognisers of your own</h2>
      <ul v-if="known.own.length" class="k-rows">
        <li v-for="m in known.own" :key="m.name">
          <b>{{ m.name }}</b>
          <span class="k-soft"> hears {{ m.language.name }}; {{ megabytes(m.bytes) }}, {{ m.layers }} layers.</span>
          <details v-if="m.licenceText" class="licence">
            <summary>{{ m.licence }}</summary>
            <pre>{{ m.licenceText }}</pre>
          </details>
          <div v-else class="k-soft">No licence was found beside it.</div>
        </li>
      </ul>
      <p class="k-soft after">
        Whoever has larger weights of the same kind can use them: type
        <code>./kostel models add FOLDER --language en --name "My own"</code> where Kostel is. They are tried first, and
        are chosen then like accurate and fast.
      </p>
      <h2>Spelling of English</h2>
      <p class="k-soft">For what is transcribed from now on; a text that is there is respelled under “Page”.</p>
      <div class="spelling" role="radiogroup" aria-label="Spelling of English">
        <label v-for="s in spellings" :key="s.value"
          ><input
            type="radio"
            name="spelling"
            :value="s.value"
            :checked="known.spelling === s.value"
            @change="spell(s.value)"
          />
          {{ s.title }}</label
        >
      </div>
      <h2>By a transcription service</h2>
      <ServiceForm :service="known.service" @changed="load" />
    </template>
  </div>
</template>

<style scoped>
.spelling {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  padding: 6px 0 20px;
}
h2 {
  margin: 28px 0 6px;
}
li {
  padding: 9px 0;
}
.after {
  margin-top: 12px;
}
.licence pre {
  white-space: pre-wrap;
  font-size: 14px;
  max-height: 300px;
  overflow: auto;
}
.add {
  margin-top: 4px;
  font-size: 15px;
}
</style>
