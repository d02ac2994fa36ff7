<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, must, says, type Schemas } from '@/api/client'
import { count, day, duration } from '@/shared/time'
import { useLoaded } from '@/shared/useLoaded'

/** The episodes of a feed: some are picked, or the feed is followed so that new ones come by themselves. */
const rowHeight = 56
const mostHeight = 340
const props = defineProps<{ feed: Schemas['FeedView']; courses: string[] }>()
const emit = defineEmits<{ closed: []; taken: [] }>()
const path = { feed: props.feed.id }
const picked = ref(new Set<string>())
const filter = ref('')
const course = ref<string | null>(props.feed.course)
const isFollowed = ref(props.feed.isFollowed)
const failure = ref('')
const { value: episodes, problem } = useLoaded(() => must(api.GET('/api/feeds/{feed}/episodes', { params: { path } })))

const shown = computed(() => {
  const wanted = filter.value.trim().toLowerCase()
  return (episodes.value ?? []).filter((e) => !wanted || e.title.toLowerCase().includes(wanted))
})
const free = computed(() => shown.value.filter((e) => !e.lectureId))
const areAllPicked = computed(() => free.value.length > 0 && free.value.every((e) => picked.value.has(e.key)))

function toggle(keys: string[], on: boolean) {
  const next = new Set(picked.value)
  for (const key of keys)
    if (on) next.add(key)
    else next.delete(key)
  picked.value = next
}

async function attempt(doing: () => Promise<unknown>) {
  failure.value = ''
  try {
    await doing()
    return true
  } catch (e) {
    failure.value = says(e)
    return false
  }
}

const keep = () => {
  const body = { course: course.value ?? '', isFollowed: isFollowed.value }
  return must(api.PUT('/api/feeds/{feed}', { params: { path }, body }))
}

async function save() {
  const isDone = await attempt(async () => {
    await keep()
    if (picked.value.size) {
      await must(api.POST('/api/feeds/{feed}/episodes', { params: { path }, body: { keys: [...picked.value] } }))
      emit('taken')
    }
  })
  if (isDone) emit('closed')
}

async function forget() {
  if (await attempt(() => must(api.DELETE('/api/feeds/{feed}', { params: { path } })))) emit('closed')
}
</script>

<template>
  <v-dialog :model-value="true" :aria-label="feed.title" @update:model-value="emit('closed')">
    <form class="k-sheet" @submit.prevent="save">
      <h2>{{ feed.title }}</h2>
      <v-combobox v-model="course" label="Its lectures go into the course" :items="courses" clearable />
      <v-checkbox v-model="isFollowed" label="Follow it: new episodes come in by themselves" hide-details />
      <p v-if="problem || failure" class="problem" role="alert">△ {{ failure || problem }}</p>
      <template v-if="episodes">
        <div class="tools">
          <v-text-field v-model="filter" label="Find an episode" hide-details clearable />
          <v-checkbox
            :model-value="areAllPicked"
            label="All that are not here"
            hide-details
            :disabled="!free.length"
            @update:model-value="
              toggle(
                free.map((e) => e.key),
                Boolean($event),
              )
            "
          />
        </div>
        <v-virtual-scroll
          class="list"
          :height="Math.min(mostHeight, shown.length * rowHeight)"
          :items="shown"
          :item-height="rowHeight"
          role="list"
          aria-label="Episodes"
        >
          <template #default="{ item: e }">
            <div class="row" role="listitem">
              <router-link v-if="e.lectureId" class="here" :to="{ name: 'lecture', params: { id: e.lectureId } }"
                >here</router-link
              >
              <v-checkbox
                v-else
                :model-value="picked.has(e.key)"
                :aria-label="`Pick ${e.title}`"
                hide-details
                density="compact"
                @update:model-value="toggle([e.key], Boolean($event))"
              />
              <div class="what">
                <span class="title">{{ e.title }}</span>
                <span class="k-soft facts">
                  {{
                    [
                      e.publishedAt ? day(e.publishedAt) : '',
                      e.durationMs ? duration(e.durationMs) : '',
                      e.hasCaptions ? 'captions' : '',
                    ]
                      .filter(Boolean)
                      .join(' · ')
                  }}
                </span>
              </div>
              <span v-if="e.isNew" class="k-due">new</span>
            </div>
          </template>
        </v-virtual-scroll>
      </template>
      <div class="end">
        <v-btn type="submit">{{ picked.size ? `Bring in ${count(picked.size, 'episode')}` : 'Save' }}</v-btn>
        <v-btn variant="text" @click="emit('closed')">Close</v-btn>
        <button class="k-quiet" type="button" @click="forget">Forget this feed</button>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
}
.tools > :first-child {
  flex: 1 1 200px;
}
.list {
  max-height: 40vh;
  border-top: 1px solid var(--hair);
  border-bottom: 1px solid var(--hair);
}
.row {
  display: flex;
  gap: 12px;
  align-items: center;
  height: 56px;
  border-bottom: 1px solid var(--hair);
}
.here {
  width: 40px;
  font-size: 14px;
  text-align: center;
}
.row :deep(.v-checkbox) {
  flex: none;
  width: 40px;
}
.what {
  flex: 1;
  min-width: 0;
  display: grid;
}
.title {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.facts {
  font-size: 13px;
}
.end {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.end .k-quiet {
  margin-left: auto;
}
.problem {
  color: var(--wrong);
}
</style>
