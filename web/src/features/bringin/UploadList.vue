<script setup lang="ts">
import { computed } from 'vue'
import { count } from '@/shared/time'
import SameRecording from './SameRecording.vue'
import { useUploads } from './uploads'
import { megabytes } from './sizes'

/** Of those that are here already only the last are shown: many at once are as easy to look over as one. */
const doneShown = 3
const uploads = useUploads()
const here = computed(() => uploads.items.filter((u) => u.state === 'done'))
const waiting = computed(() => uploads.items.filter((u) => u.state === 'waiting').length)
const shown = computed(() =>
  uploads.items.filter(
    (u) => u.state !== 'waiting' && (u.state !== 'done' || here.value.slice(-doneShown).includes(u)),
  ),
)
const putAway = () => here.value.forEach((u) => uploads.forget(u))
</script>

<template>
  <ul v-if="uploads.items.length" class="k-rows" aria-label="Being sent from this window">
    <li v-for="u in shown" :key="u.key">
      <div class="line">
        <span class="name">{{ u.name }}</span>
        <span class="k-soft k-time">{{ megabytes(u.sent) }} of {{ megabytes(u.bytes) }}</span>
        <router-link
          v-if="u.state === 'done' && u.lectureId"
          class="k-link"
          :to="{ name: 'lecture', params: { id: u.lectureId } }"
          >Open</router-link
        >
        <button v-if="u.state === 'failed'" class="k-link" type="button" @click="uploads.resume(u)">Go on</button>
        <button v-if="u.state === 'done'" class="k-quiet" type="button" @click="uploads.forget(u)">Put away</button>
        <button v-else-if="u.state !== 'same'" class="k-quiet" type="button" @click="uploads.drop(u)">Cancel</button>
      </div>
      <v-progress-linear
        v-if="u.state !== 'same'"
        :model-value="u.bytes ? (u.sent / u.bytes) * 100 : 100"
        :aria-label="`Sending ${u.name}`"
      />
      <SameRecording v-if="u.same" :same="u.same" @once-more="uploads.onceMore(u)" @leave="uploads.leave(u)" />
      <p v-if="u.state === 'done'" class="k-soft small">
        {{
          u.isText ? 'Here, and ready to read.' : 'Here. Kostel is writing it down now; you can open it while it does.'
        }}
      </p>
      <p v-if="u.problem" class="problem small" role="alert">△ {{ u.problem }}</p>
    </li>
  </ul>
  <p v-if="waiting || here.length > doneShown" class="k-soft small more">
    <span v-if="waiting">{{ count(waiting, 'file') }} more to be sent</span>
    <span v-if="here.length > doneShown"
      >{{ here.length }} are here
      <button class="k-quiet" type="button" @click="putAway">Put them away</button>
    </span>
  </p>
</template>

<style scoped>
li {
  padding: 10px 0;
}
.line {
  display: flex;
  gap: 16px;
  align-items: baseline;
  margin-bottom: 4px;
}
.name {
  flex: 1;
  min-width: 0;
  font: 600 16px var(--serif);
  overflow-wrap: anywhere;
}
.small {
  font-size: 14px;
  margin-top: 4px;
}
.more {
  display: flex;
  gap: 20px;
  padding: 6px 0 10px;
}
.problem {
  color: var(--wrong);
}
</style>
