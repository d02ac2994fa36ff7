<script setup lang="ts">
import { computed } from 'vue'
import { api, must, type Schemas } from '@/api/client'
import { megabytes } from '@/features/bringin/sizes'
import { useUploads } from '@/features/bringin/uploads'
import { useNotice } from '@/shared/notice'
import { day } from '@/shared/time'

const props = defineProps<{ uploads: readonly Schemas['UnfinishedUpload'][] }>()
const emit = defineEmits<{ changed: [] }>()
const notice = useNotice()
const mine = useUploads()
/** Without what this window is sending at the moment. */
const broken = computed(() => props.uploads.filter((u) => !mine.items.some((i) => i.uploadId === u.id)))

async function clear(id: string) {
  await notice.attempt(() => must(api.DELETE('/api/uploads/{id}/unfinished', { params: { path: { id } } })))
  emit('changed')
}
</script>

<template>
  <section v-if="broken.length" aria-labelledby="unfinished">
    <h2 id="unfinished">Not here as a whole</h2>
    <ul class="k-rows">
      <li v-for="u in broken" :key="u.id">
        <div>
          <b>{{ u.title }}</b>
          <p v-if="u.same" class="k-soft">
            The library has the same recording already.
            <router-link :to="{ name: 'bring-in' }">Say what to do</router-link> before {{ day(u.clearedAt) }}.
          </p>
          <p v-else class="k-soft">
            {{ megabytes(u.arrived) }} of {{ megabytes(u.bytes) }} of {{ u.fileName }} arrived. Choose the same file
            under <router-link :to="{ name: 'bring-in' }">Bring in</router-link>, and it goes on from there. Cleared
            away on {{ day(u.clearedAt) }}.
          </p>
        </div>
        <button class="k-quiet" type="button" @click="clear(u.id)">Clear away</button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  margin-top: 34px;
}
h2 {
  margin-bottom: 8px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 20px;
  padding: 10px 0;
}
b {
  font: 600 16px/1.35 var(--serif);
  overflow-wrap: anywhere;
}
p {
  font-size: 14px;
}
button {
  white-space: nowrap;
}
</style>
