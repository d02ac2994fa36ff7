import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, must, says, type DictationCommand, type DictationText } from '@/api/client'
import { openMicrophone, whyNot, type Level, type Microphone } from '@/shared/microphone'
import { useRecorder } from '@/features/record/recorder'
import type { Field, Place } from './fieldText'

/** Speaking into the field one writes in. One at a time; what is said goes to memory only. */
export const useDictation = defineStore('dictation', () => {
  const recorder = useRecorder()
  const field = shallowRef<Field | null>(null)
  const state = ref<'off' | 'opening' | 'on' | 'ending'>('off')
  const problem = ref('')
  const commands = shallowRef<DictationCommand[]>([])
  const level = ref<Level>({ peak: 0, rms: 0 })
  const punctuates = useLocalStorage('kostel.dictate.punctuates', true)
  const language = useLocalStorage('kostel.dictate.language', 'en')
  const device = useLocalStorage<string>('kostel.dictate.device', '')
  const isOn = computed(() => state.value !== 'off')

  let microphone: Microphone | null = null
  let id = ''
  let next = 0
  let place: Place = { before: '', after: '' }
  /** What was said before the person typed or went to another field stands: text is made of what comes after. */
  let from = 0
  let words = 0
  let isWriting = false
  let sending: Promise<void> = Promise.resolve()

  async function start(into: Field, lectureId: string | null) {
    if (isOn.value) return
    problem.value = ''
    if (recorder.isOn) {
      problem.value = 'A recording is running. Pause or finish it, then dictate.'
      return
    }
    state.value = 'opening'
    aim(into)
    ;[next, from, words] = [0, 0, 0]
    try {
      const body = { language: language.value, lectureId }
      const begun = await must(api.POST('/api/dictations', { body }))
      ;[id, commands.value] = [begun.id, begun.commands]
    } catch (e) {
      problem.value = says(e)
      state.value = 'off'
      return
    }
    try {
      const source = { device: device.value || null, ofScreen: false }
      microphone = await openMicrophone(source, { piece: send, level: (l) => (level.value = l), ended: pulledOut })
      microphone.run(true)
      state.value = 'on'
    } catch (e) {
      problem.value = whyNot(e)
      await stop()
    }
  }

  /** What comes is written at this field's caret. */
  function aim(into: Field) {
    field.value = into
    place = into.place()
    from = words
  }

  /** The person typed: what stands is theirs. */
  const typed = () => !isWriting && field.value && aim(field.value)

  function send(piece: ArrayBuffer) {
    const number = next++
    sending = sending.then(async () => {
      const query = `punctuates=${punctuates.value}&from=${from}`
      const answer = await fetch(`/api/dictations/${id}/pieces/${number}?${query}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: piece,
      }).catch(() => null)
      if (answer?.ok) {
        if (query.endsWith(`=${from}`)) show((await answer.json()) as DictationText, false)
      } else if (state.value === 'on') {
        const { detail } = ((await answer?.json().catch(() => null)) ?? {}) as { detail?: string }
        problem.value = detail ?? 'Kostel does not answer. What stands in the field stays.'
        void stop()
      }
    })
  }

  function show(said: DictationText, isLast: boolean) {
    words = said.words
    problem.value = said.problem ?? ''
    if (!field.value?.element.isConnected) return
    isWriting = true
    field.value.write(place, isLast ? said.text : said.open)
    isWriting = false
  }

  function pulledOut() {
    problem.value = 'The microphone is gone. Plug it in again, and dictate on.'
    void stop()
  }

  async function stop() {
    if (state.value === 'off' || state.value === 'ending') return
    state.value = 'ending'
    microphone?.run(false)
    // The last piece comes from the thread of the sound.
    await new Promise((done) => setTimeout(done, 150))
    await sending
    microphone?.close()
    microphone = null
    const query = { punctuates: punctuates.value, from }
    const { data } = await api
      .POST('/api/dictations/{id}/end', { params: { path: { id }, query } })
      .catch(() => ({ data: undefined }))
    const before = problem.value
    if (data) show(data, true)
    problem.value ||= before
    state.value = 'off'
  }

  return { field, state, isOn, problem, commands, level, punctuates, language, device, start, stop, aim, typed }
})
