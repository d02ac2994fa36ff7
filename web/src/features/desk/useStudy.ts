import { onMounted, ref, watch } from 'vue'
import { api, must, type NewQuiz, type Study, type WantedSummary } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { useLatest } from '@/shared/useLatest'
import { useDesk } from './useDesk'

/** What was made from the desk's lecture, and making more. A change of the text, or one that is taken back, can change what was made too. */
export function useStudy() {
  const { lecture, version } = useDesk()
  const notice = useNotice()
  const latest = useLatest()
  const study = ref<Study | null>(null)
  const isBusy = ref(false)
  const params = { path: { id: lecture.value.id } }

  const load = () =>
    latest(
      () => must(api.GET('/api/lectures/{id}/study', { params })),
      (s) => (study.value = s),
      notice.fail,
    )

  /** Makes something, and then shows what there is: an answer is never lost to a text that changed meanwhile. */
  async function make(call: () => Promise<Study>) {
    isBusy.value = true
    if (await notice.attempt(call)) await load()
    isBusy.value = false
  }
  const makeSummary = (wanted: WantedSummary) =>
    make(() => must(api.POST('/api/lectures/{id}/summary', { params, body: wanted })))
  const makeQuiz = (wanted: Omit<NewQuiz, 'after'>) =>
    make(() =>
      must(api.POST('/api/lectures/{id}/quiz', { params, body: { ...wanted, after: study.value?.quiz?.id ?? null } })),
    )

  onMounted(load)
  watch(version, load)
  return { load, study, isBusy, makeSummary, makeQuiz }
}
