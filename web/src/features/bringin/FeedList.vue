<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, must, says, type Schemas } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { count, day } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'
import EpisodeSheet from './EpisodeSheet.vue'

/** Feeds: those that were just found, and those that are known. */
type Feed = Schemas['FeedView']
const props = defineProps<{ found: { address: string; title: string }[]; courses: string[] }>()
const emit = defineEmits<{ taken: [] }>()
const notice = useNotice()
const { value: feeds, load } = useLoaded(() => must(api.GET('/api/feeds')))
const open = ref<Feed | null>(null)
const problem = ref('')
const picker = ref<HTMLInputElement>()

// What was found by its address is known from then on, and shows at once what there is to pick from.
watch(
  () => props.found.length,
  async (now) => {
    const fresh = props.found.slice(0, now).at(-1)
    if (!fresh) return
    try {
      const body = { address: fresh.address, course: '', isFollowed: false }
      open.value = await must(api.POST('/api/feeds', { body }))
      await load()
    } catch (e) {
      problem.value = says(e)
    }
  },
)

const visit = async (feed: Feed) => {
  await notice.attempt(() => must(api.POST('/api/feeds/{feed}/visit', { params: { path: { feed: feed.id } } })))
  await load()
  emit('taken')
}

async function bringList(file: File | undefined) {
  if (!file) return
  problem.value = ''
  const answer = await fetch('/api/feeds/list', { method: 'POST', body: file })
  const said = (await answer.json().catch(() => ({}))) as { detail?: string; added?: number; known?: number }
  if (picker.value) picker.value.value = ''
  if (!answer.ok) problem.value = said.detail ?? 'This list could not be read.'
  else notice.tell(`${count(said.added ?? 0, 'feed')} added${said.known ? `, ${said.known} known before` : ''}.`)
  await load()
}

async function closed() {
  open.value = null
  await load()
}
</script>

<template>
  <section aria-labelledby="feeds">
    <div class="head">
      <h2 id="feeds">Feeds</h2>
      <span class="acts">
        <button class="k-quiet" type="button" @click="picker?.click()">Bring in a list (OPML)</button>
        <a v-if="feeds?.length" class="k-quiet" href="/api/feeds/list" download="feeds.opml">Take the list away</a>
      </span>
      <input
        ref="picker"
        class="picker"
        type="file"
        accept=".opml,.xml"
        aria-label="Choose a list of feeds"
        @change="bringList(picker?.files?.[0])"
      />
    </div>
    <p v-if="problem" class="problem" role="alert">△ {{ problem }}</p>
    <p v-if="feeds && !feeds.length" class="k-soft">
      A course that is published as a feed can come in by itself: give its address above, and pick or follow.
    </p>
    <ul v-if="feeds?.length" class="k-rows">
      <li v-for="f in feeds" :key="f.id">
        <div class="what">
          <button class="name" type="button" @click="open = f">{{ f.title }}</button>
          <p class="k-facts k-soft">
            <span>{{ f.isFollowed ? 'followed' : 'not followed' }}</span>
            <span v-if="f.course">into {{ f.course }}</span>
            <span>{{ f.takenCount }} of {{ count(f.episodeCount, 'episode') }} here</span>
            <span v-if="f.episodeCount">asked {{ day(f.checkedAt) }}</span>
          </p>
          <p v-if="f.problem" class="problem">△ {{ f.problem }}</p>
        </div>
        <span class="side">
          <span v-if="f.newCount" class="k-due">{{ f.newCount }} new</span>
          <button class="k-quiet" type="button" :aria-label="`Ask ${f.title} now`" @click="visit(f)">Ask now</button>
          <button class="k-link" type="button" :aria-label="`Episodes of ${f.title}`" @click="open = f">
            Episodes
          </button>
        </span>
      </li>
    </ul>
    <EpisodeSheet v-if="open" :feed="open" :courses="courses" @closed="closed" @taken="emit('taken')" />
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 6px;
}
section {
  margin-top: 44px;
}
.head,
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 6px 20px;
}
.acts,
.side {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  font-size: 14px;
}
li {
  padding: 12px 0;
}
.what {
  flex: 1 1 300px;
  min-width: 0;
}
.name {
  font: 600 17px/1.35 var(--serif);
  color: var(--ink);
  text-align: left;
  overflow-wrap: anywhere;
}
.name:hover {
  text-decoration: underline;
  text-decoration-color: var(--act);
  text-underline-offset: 4px;
}
.k-facts,
.problem {
  font-size: 14px;
}
.problem {
  color: var(--wrong);
}
.picker {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
</style>
