<script setup lang="ts">
import { computed } from 'vue'
import { api, must } from '@/api/client'
import { parting } from '@/page/text'
import { useNotice } from '@/shared/notice'

/** Says that the words which something was made from read otherwise by now, and offers them. */
const props = defineProps<{ lectureId: string; was: string; now: string; takeKey: string | null }>()
const emit = defineEmits<{ taken: [] }>()
const notice = useNotice()
const words = computed(() => parting(props.was, props.now))

async function take() {
  const key = props.takeKey
  if (key === null) return
  const done = await notice.attempt(async () => {
    await must(api.POST('/api/lectures/{id}/sources', { params: { path: { id: props.lectureId } }, body: { key } }))
    return true
  })
  if (done) emit('taken')
}
</script>

<template>
  <div class="changed">
    <b>Source changed</b>
    <p v-if="now">
      {{ words.before }} <del v-if="words.one">{{ words.one }}</del> <ins v-if="words.other">{{ words.other }}</ins>
      {{ words.after }}
    </p>
    <p v-else>
      <del>{{ was }}</del> <span class="k-soft">These words are not in the text any more.</span>
    </p>
    <button v-if="now && takeKey" class="k-link" type="button" @click="take">Use the new words</button>
  </div>
</template>

<style scoped>
.changed {
  border-left: 3px solid var(--wrong);
  padding-left: 10px;
  margin: 4px 0;
  font-size: 14px;
  display: grid;
  justify-items: start;
}
b {
  color: var(--wrong);
}
del {
  color: var(--soft);
}
ins {
  text-decoration: none;
  background: var(--buff);
  color: var(--on-buff);
}
</style>
