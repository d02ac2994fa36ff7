<script setup lang="ts">
import { onMounted, onUnmounted, reactive, ref } from 'vue'
import { api } from '@/api/client'
import { useNotice } from '@/shared/notice'
import LevelBar from './LevelBar.vue'
import { useRecorder } from './recorder'

/** Before a recording: which device, how loud it is, what it is of, and whether those who are recorded agree. */
const recorder = useRecorder()
const notice = useNotice()
const devices = ref<MediaDeviceInfo[]>([])
const device = ref<string | null>(null)
const courses = ref<string[]>([])
const canShare = 'getDisplayMedia' in (navigator.mediaDevices ?? {})
const today = new Date(Date.now() - new Date().getTimezoneOffset() * 60000).toISOString().slice(0, 10)
const about = reactive({ title: '', course: null as string | null, keepsSound: true, agreed: false, heldOn: today })
const isStarting = ref(false)

async function open(ofScreen = false) {
  if (!(await recorder.open({ device: device.value, ofScreen }))) return
  // Only now the browser tells what the devices are called.
  const found = await navigator.mediaDevices.enumerateDevices()
  devices.value = found.filter((d) => d.kind === 'audioinput' && d.deviceId)
}
onMounted(async () => {
  void open()
  const [guess, library] = await Promise.all([api.GET('/api/recordings/guess'), api.GET('/api/library')])
  courses.value = library.data?.courses ?? []
  if (!guess.data || about.title) return
  about.title = guess.data.title
  about.course = guess.data.course ?? null
})
onUnmounted(recorder.close)

async function start() {
  isStarting.value = true
  await notice.attempt(() => recorder.begin({ ...about }))
  isStarting.value = false
}
const forget = (id: string) => notice.attempt(() => recorder.drop(id))
const goOn = (id: string) => notice.attempt(() => recorder.takeUp(id))
</script>

<template>
  <section v-if="recorder.interrupted.length" class="interrupted" aria-label="Not ended">
    <h2>Not ended</h2>
    <ul class="k-rows">
      <li v-for="r in recorder.interrupted" :key="r.id">
        <span>{{ r.title }}, {{ Math.floor(r.atMs / 60000) }} min {{ Math.floor((r.atMs % 60000) / 1000) }} s</span>
        <span class="acts">
          <button class="k-link" type="button" @click="goOn(r.id)">Take it up again</button>
          <button class="k-quiet" type="button" @click="forget(r.id)">Throw it away</button>
        </span>
      </li>
    </ul>
  </section>
  <form class="start" @submit.prevent="start">
    <div class="sound">
      <label class="k-soft" for="device">Sound from</label>
      <select id="device" v-model="device" class="k-select" @change="open()">
        <option :value="null">The usual microphone</option>
        <option v-for="d in devices" :key="d.deviceId" :value="d.deviceId">{{ d.label }}</option>
      </select>
      <button v-if="canShare" class="k-link" type="button" @click="open(true)">A tab or screen with its sound</button>
    </div>
    <p v-if="recorder.problem" class="problem" role="alert">
      {{ recorder.problem }} <button class="k-link" type="button" @click="open()">Try again</button>
    </p>
    <LevelBar v-else-if="recorder.state === 'ready'" :level="recorder.level" :verdict="recorder.verdict" />
    <v-text-field v-model="about.title" label="Title" maxlength="200" />
    <v-combobox
      v-model="about.course"
      label="Course"
      :items="courses"
      clearable
      placeholder="A new one, or one that you have"
    />
    <fieldset>
      <legend class="k-soft">What is kept</legend>
      <label><input v-model="about.keepsSound" type="radio" :value="true" /> The sound and the text</label>
      <label
        ><input v-model="about.keepsSound" type="radio" :value="false" /> Only the text: the sound is never written to
        disk</label
      >
    </fieldset>
    <label class="agreed"><input v-model="about.agreed" type="checkbox" /> Those who are recorded agree</label>
    <div>
      <v-btn
        type="submit"
        :disabled="!about.agreed || recorder.state !== 'ready' || !about.title.trim()"
        :loading="isStarting"
      >
        Start recording
      </v-btn>
    </div>
  </form>
</template>

<style scoped>
.start {
  display: grid;
  gap: 18px;
  max-width: 640px;
}
.sound,
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: baseline;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
}
legend {
  padding: 0;
}
.problem {
  color: var(--wrong);
}
.interrupted h2 {
  margin-bottom: 8px;
}
.interrupted {
  margin-bottom: 30px;
}
.interrupted li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 16px;
  padding: 9px 0;
}
.acts {
  display: flex;
  gap: 16px;
}
</style>
