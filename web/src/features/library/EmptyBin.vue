<script setup lang="ts">
import { ref } from 'vue'
import { api, must, says } from '@/api/client'
import { megabytes } from '@/features/bringin/sizes'
import { useNotice } from '@/shared/notice'
import { count as counted } from '@/shared/time'

defineProps<{ count: number }>()
const emit = defineEmits<{ closed: []; emptied: [] }>()
const notice = useNotice()
const problem = ref('')
const isBusy = ref(false)

async function empty() {
  isBusy.value = true
  try {
    const gone = await must(api.POST('/api/bin/empty'))
    notice.tell(`${counted(gone.lectures, 'lecture')} gone for good. That freed ${megabytes(gone.bytes)}.`)
    emit('emptied')
    emit('closed')
  } catch (e) {
    problem.value = says(e)
  }
  isBusy.value = false
}
</script>

<template>
  <v-dialog :model-value="true" aria-label="Empty the bin" @update:model-value="emit('closed')">
    <form class="k-sheet" @submit.prevent="empty">
      <h2>Empty the bin</h2>
      <p>
        {{ counted(count, 'lecture') }} go for good, each with its recording, text, cards and all that was made of it.
        This cannot be taken back.
      </p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <v-btn type="submit" :loading="isBusy">Empty the bin</v-btn>
        <v-btn variant="text" autofocus @click="emit('closed')">Leave it</v-btn>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.row {
  display: flex;
  gap: 12px;
  margin-top: 16px;
}
.problem {
  color: var(--wrong);
}
</style>
