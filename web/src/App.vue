<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '@/api/client'
import { afterScreen, screenShown } from '@/shared/idle'
import { onKey } from '@/shared/keys'
import { useUnsaved } from '@/shared/useUnsaved'
import { useLive } from '@/shared/live'
import { carriesFiles, dropped } from '@/features/bringin/dropped'
import { useUploads } from '@/features/bringin/uploads'
import { useDoneNotices } from '@/shared/doneNotices'
import RecordSign from '@/features/record/RecordSign.vue'
import KeySheet from '@/shared/KeySheet.vue'
import ThemeSwitch from '@/theme/ThemeSwitch.vue'

const DictateBar = afterScreen(() => import('@/features/dictate/DictateBar.vue'))
const NoticeBar = afterScreen(() => import('@/shared/NoticeBar.vue'))
const live = useLive()
const router = useRouter()
const isOver = ref(false)
const uploads = useUploads()
const route = useRoute()
const sending = computed(() => uploads.items.filter((u) => u.state === 'sending' || u.state === 'waiting').length)
useUnsaved(() => sending.value > 0)
const isReading = computed(() => route.name === 'lecture')
const isSettings = computed(() => ['languages', 'writer', 'storage', 'about'].includes(String(route.name)))
const onlyForReading = ref<string | null>(null)
/** Files can be dropped anywhere. A lecture that is open takes pictures itself. */
function drop(event: DragEvent) {
  isOver.value = false
  const files = [...(event.dataTransfer?.files ?? [])].filter((f) => !isReading.value || !f.type.startsWith('image/'))
  if (event.defaultPrevented || !files.length) return
  event.preventDefault()
  dropped.value.push(...files)
  void router.push({ name: 'bring-in' })
}
useEventListener(document, 'dragover', (event: DragEvent) => {
  if (!carriesFiles(event)) return
  event.preventDefault()
  isOver.value = true
})
useEventListener(document, 'dragleave', (event: DragEvent) => (isOver.value = event.relatedTarget !== null))
useEventListener(document, 'drop', drop)
useDoneNotices()

// From anywhere, while typing too.
const search = () => void router.push({ name: 'search' })
onKey('F', search)
onKey('R', () => void router.push({ name: 'record' }))
// A lecture opens its desk by this key itself.
onKey('a', () => {
  if (isReading.value || route.name === 'review') return
  const course = typeof route.params.course === 'string' ? route.params.course : undefined
  void router.push({ name: 'ask', query: { course } })
})
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (!event.ctrlKey || !event.shiftKey || event.code !== 'KeyF') return
  event.preventDefault()
  search()
})
onMounted(async () => {
  live.start()
  await screenShown
  const { data } = await api.GET('/api/settings').catch(() => ({ data: undefined }))
  onlyForReading.value = data?.onlyForReading ?? null
})
</script>

<template>
  <v-app>
    <a class="skip" href="#main">Skip to the page</a>
    <header class="top">
      <router-link class="mark" :to="{ name: 'today' }">Kostel</router-link>
      <nav aria-label="Places">
        <router-link :to="{ name: 'today' }">
          Today <span v-if="live.dueCount" class="k-due">{{ live.dueCount }}<span class="sr"> cards due</span></span>
        </router-link>
        <router-link :to="{ name: 'library' }" :class="{ here: isReading }">Library</router-link>
        <router-link :to="{ name: 'search' }">Search</router-link>
        <router-link class="asking" :to="{ name: 'ask' }" :class="{ here: route.name === 'ask' }">Ask</router-link>
        <router-link class="review" :to="{ name: 'review' }">Review</router-link>
      </nav>
      <span class="space" />
      <KeySheet />
      <ThemeSwitch class="wide" />
      <router-link class="settings" :to="{ name: 'settings' }" :class="{ here: isSettings }">Settings</router-link>
      <RecordSign />
      <router-link class="bring" :to="{ name: 'bring-in' }">
        {{ sending ? `Bringing in ${sending}` : 'Bring in' }}
      </router-link>
    </header>
    <p v-if="!live.isReachable" class="away" role="alert">
      Kostel does not answer. If it was stopped, start it again; this page goes on by itself.
    </p>
    <p v-if="onlyForReading" class="away" role="status">{{ onlyForReading }}</p>
    <v-main id="main" tabindex="-1">
      <router-view />
    </v-main>
    <p v-if="isOver && route.name !== 'bring-in'" class="over" aria-hidden="true">Drop here to bring in</p>
    <DictateBar />
    <NoticeBar />
  </v-app>
</template>

<style scoped>
.top {
  height: 52px;
  flex: none;
  display: flex;
  align-items: center;
  gap: 26px;
  padding: 0 28px;
  border-bottom: 1px solid var(--ink);
  background: var(--paper);
  position: sticky;
  top: 0;
  z-index: 20;
}
.top .mark {
  font: 600 21px var(--serif);
  color: var(--ink);
  text-decoration: none;
}
nav {
  display: flex;
  gap: 24px;
}
.top nav a,
.settings {
  color: var(--soft);
  text-decoration: none;
  white-space: nowrap;
}
.top nav a:hover,
.settings:hover,
.top a.router-link-exact-active,
.top a.here {
  color: var(--ink);
}
.top nav a.router-link-exact-active,
.settings.router-link-exact-active,
.top a.here {
  font-weight: 600;
}
.space {
  flex: 1;
}
.bring {
  font-weight: 600;
  text-decoration: none;
  border-bottom: 2px solid var(--act);
  padding: 3px 0;
  white-space: nowrap;
}
.away {
  background: var(--buff);
  color: var(--on-buff);
  padding: 6px 28px;
}
.over {
  position: fixed;
  inset: 60px 8px 8px;
  display: grid;
  place-items: center;
  border: 1.5px dashed var(--act);
  background: color-mix(in srgb, var(--seawash) 88%, transparent);
  font: 600 22px var(--serif);
  pointer-events: none;
  z-index: 30;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 40;
  background: var(--sheet);
  padding: 6px 10px;
}
.sr {
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  height: 1px;
  overflow: hidden;
}
@media (max-width: 620px) {
  .top {
    gap: 12px;
    padding: 0 12px;
  }
  .top nav {
    gap: 12px;
  }
  .top .mark,
  .wide {
    display: none;
  }
  .space {
    display: none;
  }
  .bring {
    margin-left: auto;
  }
}
/* Today leads to the review too. */
@media (max-width: 430px) {
  .top nav .review,
  .top nav .asking {
    display: none;
  }
  .top,
  .top nav {
    gap: 6px;
    font-size: 14px;
  }
  .top {
    padding: 0 8px;
  }
}
</style>
