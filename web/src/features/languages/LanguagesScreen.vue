<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, must, says, type Languages } from '@/api/client'
import ServiceForm from './ServiceForm.vue'

const known = ref<Languages | null>(null)
const problem = ref('')

async function load() {
  problem.value = ''
  try {
    known.value = await must(api.GET('/api/languages'))
  } catch (e) {
    problem.value = says(e)
  }
}
onMounted(load)
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
      <h2>By a transcription service</h2>
      <ServiceForm :service="known.service" @changed="load" />
    </template>
  </div>
</template>

<style scoped>
h2 {
  margin: 28px 0 6px;
}
li {
  padding: 9px 0;
}
.after {
  margin-top: 12px;
}
.add {
  margin-top: 4px;
  font-size: 15px;
}
</style>
