<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { hasCode, says, type Grade } from '@/api/client'
import { onKey } from '@/shared/keys'
import { useNotice } from '@/shared/notice'
import { useLive } from '@/shared/live'
import { clock, count } from '@/shared/time'
import { useSitting } from './useSitting'

const grades: { grade: Grade; name: string; level: number }[] = [
  { grade: 'forgot', name: 'Forgot', level: 0 },
  { grade: 'hardWon', name: 'Hard-won', level: 1 },
  { grade: 'recalled', name: 'Recalled', level: 2 },
  { grade: 'atOnce', name: 'At once', level: 3 },
]

const route = useRoute()
const notice = useNotice()
const live = useLive()
const only = computed(() => (typeof route.query.lecture === 'string' ? route.query.lecture : undefined))
const sitting = useSitting(() => only.value)
const { cards, card, done, forgotten, isOnceMore, canTakeBack } = sitting
const isShown = ref(false)
const isSaving = ref(false)
const problem = ref('')
const sound = ref<HTMLAudioElement>()
const scale = ref<HTMLElement>()

async function load() {
  try {
    await sitting.load()
    problem.value = ''
  } catch (e) {
    problem.value = says(e)
  }
}
onMounted(load)

async function show() {
  if (!card.value) return
  isShown.value = true
  await nextTick()
  scale.value?.querySelector<HTMLElement>('button:nth-of-type(3)')?.focus()
}

/** Whatever was done to a card, the next is shown without its answer. */
async function change(doing: () => Promise<void>) {
  if (isSaving.value) return
  isSaving.value = true
  sound.value?.pause()
  try {
    await doing()
    void live.refresh()
  } catch (e) {
    notice.fail(e)
    if (hasCode(e, 'changed-elsewhere')) await load()
  }
  isShown.value = false
  isSaving.value = false
}

async function give(grade: Grade) {
  if (!card.value || !isShown.value) return
  await change(async () => {
    const days = await sitting.give(grade)
    notice.tell(days === 0 ? 'Comes once more before you are done.' : `Comes back in ${count(days, 'day')}.`, takeBack)
    // Whoever has more due than one sitting holds goes on with the next.
    if (!card.value) await sitting.load()
  })
}

const takeBack = () => void change(sitting.takeBack)

function listen() {
  const now = card.value
  if (!now || !sound.value || !isShown.value) return
  sound.value.src = `/api/lectures/${now.lectureId}/media#t=${now.source.startMs / 1000},${now.source.endMs / 1000}`
  void sound.value.play().catch(() => undefined)
}

onKey(' ', show)
onKey('l', listen)
onKey('u', () => canTakeBack.value && takeBack())
grades.forEach((g, i) => onKey(String(i + 1), () => give(g.grade)))
</script>

<template>
  <div class="review">
    <p v-if="problem" class="problem" role="alert">
      {{ problem }} <button class="k-link" type="button" @click="load">Try again</button>
    </p>
    <template v-else-if="card">
      <p class="k-soft left">
        {{ count(cards?.length ?? 0, 'card') }} left · {{ card.lectureTitle }}
        <template v-if="isOnceMore">· once more, forgotten before</template>
      </p>
      <img
        v-if="card.hasPicture"
        :key="card.id"
        class="picture"
        :src="`/api/cards/${card.id}/picture`"
        alt="The picture that is asked about"
      />
      <h1 class="front">{{ card.front }}</h1>
      <div v-if="!isShown" class="think">
        <p class="k-soft">Say it first, then look.</p>
        <v-btn size="large" @click="show">Show the answer</v-btn>
      </div>
      <div v-else class="answer">
        <p class="back" role="status">{{ card.back }}</p>
        <blockquote>
          {{ card.source.quote }}
          <p v-if="card.source.now !== null" class="changed">
            Source changed. Now it says: {{ card.source.now || 'nothing, the words were taken out' }}
          </p>
          <footer>
            <button class="k-link" type="button" @click="listen">Listen, {{ clock(card.source.startMs) }}</button>
            <router-link
              :to="{
                name: 'lecture',
                params: { id: card.lectureId },
                query: { t: Math.floor(card.source.startMs / 1000) },
              }"
            >
              Open the lecture there
            </router-link>
          </footer>
        </blockquote>
        <div ref="scale" class="scale" role="group" aria-label="How did it come?">
          <button v-for="(g, i) in grades" :key="g.grade" type="button" :disabled="isSaving" @click="give(g.grade)">
            <span class="level" aria-hidden="true"><i v-for="n in 3" :key="n" :class="{ full: n <= g.level }" /></span>
            <span>{{ g.name }}</span>
            <kbd class="k-key">{{ i + 1 }}</kbd>
          </button>
        </div>
      </div>
    </template>
    <div v-else-if="cards" class="empty">
      <h1>{{ done ? 'That is all for now' : 'Nothing is due' }}</h1>
      <p class="k-soft">
        {{
          done
            ? `You went through ${count(done, 'card')}.${forgotten ? ` ${count(forgotten, 'card')} forgotten at first came once more.` : ''}`
            : 'Cards come back here on the day you are about to forget them.'
        }}
      </p>
      <p v-if="canTakeBack"><button class="k-link" type="button" @click="takeBack">Take the last grade back</button></p>
      <router-link :to="{ name: only ? 'lecture' : 'library', params: only ? { id: only } : {} }">
        {{ only ? 'Back to the lecture' : 'Make cards from a lecture' }}
      </router-link>
    </div>
    <audio ref="sound" preload="none" />
  </div>
</template>

<style scoped>
.changed {
  color: var(--wrong);
  font-size: 15px;
}
.review {
  width: min(100% - 40px, 640px);
  margin: 0 auto;
  padding: 7vh 0 40px;
}
.left {
  font-size: 14px;
}
.front {
  font-size: 1.6rem;
  margin: 10px 0 28px;
  overflow-wrap: anywhere;
}
.picture {
  display: block;
  max-width: 100%;
  box-sizing: border-box;
  max-height: 44vh;
  margin-top: 12px;
  border: 1px solid var(--hair);
}
.think p {
  margin-bottom: 12px;
}
.back {
  font: 400 20px/1.5 var(--serif);
  border-left: 3px solid var(--sea);
  padding-left: 14px;
}
blockquote {
  margin: 18px 0 30px 17px;
  font: italic 400 15.5px/1.55 var(--serif);
  color: var(--soft);
}
blockquote footer {
  font: 400 14px var(--sans);
  display: flex;
  align-items: baseline;
  gap: 20px;
  margin-top: 4px;
}
.scale {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  border: 1px solid var(--ink);
}
.scale button {
  display: grid;
  justify-items: center;
  gap: 5px;
  padding: 12px 4px 10px;
  font-weight: 600;
  background: var(--sheet);
  color: var(--ink);
}
.scale button + button {
  border-left: 1px solid var(--hair);
}
.scale button:hover {
  background: var(--seawash);
}
.level {
  display: flex;
  gap: 3px;
}
.level i {
  width: 14px;
  height: 7px;
  border: 1px solid var(--sea);
}
.level i.full {
  background: var(--sea);
}
.problem {
  color: var(--wrong);
}
@media (max-width: 480px) {
  .scale {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
