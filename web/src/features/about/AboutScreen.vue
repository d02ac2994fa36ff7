<script setup lang="ts">
import { api, must } from '@/api/client'
import { useLoaded } from '@/shared/useLoaded'
import { megabytes } from '@/features/bringin/sizes'

const { value: about, problem } = useLoaded(() => must(api.GET('/api/about')))
</script>

<template>
  <div class="k-column">
    <h1>About Kostel</h1>
    <p class="lead">
      Kostel writes down lectures and helps you remember them. It works on this computer alone: recordings, text and
      what you make of them leave it only if you switch a transcription service on and choose it for a recording.
    </p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <template v-if="about">
      <h2>Models and licences</h2>
      <ul class="k-rows">
        <li v-for="m in about.models" :key="m.purpose">
          <strong>{{ m.purpose }}</strong>
          <span class="k-soft"> · {{ m.package }} {{ m.version }} · {{ megabytes(m.bytes) }} · {{ m.licence }}</span>
          <div class="k-soft">{{ m.licenceText }}</div>
        </li>
      </ul>
      <h2>Type and sound</h2>
      <p>
        Literata and Atkinson Hyperlegible Next, both under the SIL Open Font Licence 1.1. Recordings are read by
        FFmpeg, a separate program (LGPL and GPL). Networks are run by ONNX Runtime (MIT).
      </p>
    </template>
  </div>
</template>

<style scoped>
h2 {
  margin: 28px 0 6px;
}
li {
  padding: 8px 0;
}
.lead {
  font: 400 17px/1.6 var(--serif);
  margin-top: 12px;
}
</style>
