<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, must } from '@/api/client'
import { useNotice } from '@/shared/notice'

const notice = useNotice()
const isShown = ref(false)

onMounted(async () => {
  const { data } = await api.GET('/api/about').catch(() => ({ data: undefined }))
  isShown.value = data?.isFirstVisit ?? false
})

async function done() {
  await notice.attempt(async () => {
    await must(api.POST('/api/about/first-visit-done'))
    isShown.value = false
  })
}
</script>

<template>
  <section v-if="isShown" class="steps" aria-label="The way through Kostel">
    <ol>
      <li>
        <router-link class="k-link" :to="{ name: 'bring-in' }">Bring in a lecture</router-link>
        <p>A recording or a video from this computer. Kostel writes it down here, without sending it anywhere.</p>
      </li>
      <li>
        <router-link class="k-link" :to="{ name: 'library' }">Read it and ask</router-link>
        <p>
          Follow the words as they are spoken, and put right what was misheard. Every answer is a sentence of the
          lecture, with its time.
        </p>
      </li>
      <li>
        <router-link class="k-link" :to="{ name: 'review' }">Say it without looking</router-link>
        <p>Cards come back here on the day you are about to forget them.</p>
      </li>
    </ol>
    <button class="k-quiet" type="button" @click="done">I know the way</button>
  </section>
</template>

<style scoped>
.steps {
  margin-top: 20px;
  border: 1px solid var(--hair);
  background: var(--sheet);
  padding: 18px 22px 12px;
}
ol {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
  gap: 22px;
  list-style: none;
  padding: 0;
  counter-reset: step;
}
li {
  counter-increment: step;
}
li::before {
  content: counter(step);
  font: 600 22px var(--serif);
  display: block;
  color: var(--sea);
}
p {
  font-size: 14px;
  color: var(--soft);
  line-height: 1.45;
}
button {
  margin-top: 12px;
  text-decoration: underline;
  text-underline-offset: 3px;
}
</style>
