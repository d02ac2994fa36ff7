<script setup lang="ts">
import { onMounted } from 'vue'
import RecordRunning from './RecordRunning.vue'
import RecordStart from './RecordStart.vue'
import { useRecorder } from './recorder'

/** Recording in class. */
const recorder = useRecorder()
onMounted(recorder.look)
</script>

<template>
  <div class="k-column">
    <h1>Record</h1>
    <RecordRunning v-if="recorder.recording" />
    <RecordStart v-else />
  </div>
</template>

<style scoped>
h1 {
  margin-bottom: 14px;
}
</style>
