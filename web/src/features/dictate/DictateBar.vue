<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import { reach } from '@/shared/level'
import { useDictation } from './dictation'
import { fieldOf, type Field } from './fieldText'

/** Beside the field one writes in: a word to speak instead, and while one does how it stands and what can be said. */
const dictation = useDictation()
const route = useRoute()
const focused = shallowRef<Field | null>(null)
const at = ref({ right: 0, bottom: 0 })
const isListShown = ref(false)
const isSetting = ref(false)
const languages = shallowRef<{ code: string; name: string }[]>([])
const devices = shallowRef<MediaDeviceInfo[]>([])
const field = computed(() => (dictation.isOn ? dictation.field : focused.value))
const canListen = 'mediaDevices' in navigator

function place() {
  if (!field.value) return
  const { element, beside } = field.value
  const box = (beside ?? element).getBoundingClientRect()
  const top = beside ? box.bottom - 3 : box.top
  // Above its right end: below it stand, as a rule, the buttons that end the writing.
  const [right, bottom] = [document.documentElement.clientWidth - box.right, window.innerHeight - top + 3]
  at.value = { right: Math.max(8, right), bottom: Math.min(bottom, window.innerHeight - 40) }
}
async function look(event: FocusEvent) {
  const found = fieldOf(event.target)
  if ((event.target as Element).closest?.('.dictate')) return
  focused.value = found
  if (found && dictation.isOn && found !== dictation.field) dictation.aim(found)
  await nextTick()
  place()
}
const leave = (event: FocusEvent) => {
  if (!(event.relatedTarget as Element | null)?.closest?.('.dictate')) focused.value = null
}
useEventListener(document, 'focusin', look)
useEventListener(document, 'focusout', leave)
useEventListener(document, 'scroll', place, { capture: true, passive: true })
useEventListener(window, 'resize', place)
useEventListener(
  document,
  'input',
  (event) => event.target === dictation.field?.element && (dictation.typed(), place()),
)
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (!event.altKey || event.code !== 'KeyS') return
  const into = fieldOf(event.target)
  if (!into && !dictation.isOn) return
  event.preventDefault()
  toggle(into)
})

function toggle(into: Field | null) {
  if (dictation.isOn) void dictation.stop()
  else if (into) void dictation.start(into, route.name === 'lecture' ? String(route.params.id) : null)
}
async function set() {
  isSetting.value = !isSetting.value
  if (!isSetting.value || languages.value.length) return
  const { data } = await api.GET('/api/languages').catch(() => ({ data: undefined }))
  languages.value = data?.here.filter((l) => l.code === 'en' || l.code === 'es') ?? []
  devices.value = (await navigator.mediaDevices.enumerateDevices()).filter((d) => d.kind === 'audioinput' && d.deviceId)
}
</script>

<template>
  <div v-if="canListen && field" class="dictate" :style="{ right: `${at.right}px`, bottom: `${at.bottom}px` }">
    <p class="bar">
      <button class="k-quiet" type="button" @mousedown.prevent @click="toggle(field)">
        {{ dictation.isOn ? 'Stop' : 'Dictate' }} <span class="k-key">Alt S</span>
      </button>
      <template v-if="dictation.isOn">
        <span class="meter" aria-hidden="true"
          ><span :style="{ width: `${reach(dictation.level.peak) * 100}%` }"
        /></span>
        <span role="status">{{
          dictation.state === 'on' ? 'Listening' : dictation.state === 'ending' ? 'A moment …' : 'Opening …'
        }}</span>
        <button
          class="k-quiet"
          type="button"
          :aria-expanded="isListShown"
          @mousedown.prevent
          @click="isListShown = !isListShown"
        >
          What can be said
        </button>
      </template>
      <button v-else class="k-quiet" type="button" :aria-expanded="isSetting" @mousedown.prevent @click="set">
        How
      </button>
    </p>
    <p v-if="dictation.problem" class="problem" role="alert">{{ dictation.problem }}</p>
    <div v-if="isSetting && !dictation.isOn" class="how">
      <label><input v-model="dictation.punctuates" type="checkbox" /> Puts stops by itself</label>
      <label v-if="languages.length > 1"
        >Language
        <select v-model="dictation.language" class="k-select">
          <option v-for="l in languages" :key="l.code" :value="l.code">{{ l.name }}</option>
        </select></label
      >
      <label
        >Microphone
        <select v-model="dictation.device" class="k-select">
          <option value="">The usual one</option>
          <option v-for="(d, i) in devices" :key="d.deviceId" :value="d.deviceId">
            {{ d.label || `Microphone ${i + 1}` }}
          </option>
        </select></label
      >
    </div>
  </div>
  <dl v-if="isListShown && dictation.isOn" class="dictate list" tabindex="0" aria-label="What can be said">
    <template v-for="c in dictation.commands" :key="c.spoken[0]">
      <dt>{{ c.spoken.join(', ') }}</dt>
      <dd>{{ c.what }}</dd>
    </template>
  </dl>
</template>

<style scoped>
.dictate {
  position: fixed;
  z-index: 2500;
  max-width: min(420px, calc(100vw - 16px));
  padding: 4px 10px;
  border: 1px solid var(--hair);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13.5px;
}
.bar,
.how {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
}
.how {
  padding: 6px 0;
}
.how label {
  display: flex;
  align-items: center;
  gap: 6px;
}
.meter {
  width: 70px;
  height: 5px;
  border: 1px solid var(--hair);
}
.meter span {
  display: block;
  height: 100%;
  background: var(--ink);
}
.problem {
  color: var(--wrong);
}
.list {
  right: 12px;
  top: 60px;
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 16px;
  max-width: min(380px, calc(100vw - 24px));
  max-height: 50vh;
  overflow-y: auto;
  padding: 10px 14px;
}
dd {
  color: var(--soft);
}
@media (max-width: 620px) {
  /* No keys there, and no room to spare above a field. */
  .dictate .k-key {
    display: none;
  }
  /* The field that one speaks into stays in sight. */
  .list {
    top: auto;
    bottom: 8px;
    max-height: 30vh;
  }
}
</style>
