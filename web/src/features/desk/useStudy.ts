import { onMounted, ref } from 'vue'
import { api, must, type Study } from '@/api/client'
import { useNotice } from '@/shared/notice'

/** What was made from a lecture, and making more. */
export function useStudy(lectureId: string) {
  const notice = useNotice()
  const study = ref<Study | null>(null)
  const isBusy = ref(false)
  const params = { path: { id: lectureId } }

  async function run(call: () => Promise<Study>) {
    isBusy.value = true
    study.value = (await notice.attempt(call)) ?? study.value
    isBusy.value = false
  }

  const makeSummary = () => run(() => must(api.POST('/api/lectures/{id}/summary', { params })))
  const makeCards = () => run(() => must(api.POST('/api/lectures/{id}/cards', { params })))
  const makeQuiz = () => run(() => must(api.POST('/api/lectures/{id}/quiz', { params })))
  const load = () => run(() => must(api.GET('/api/lectures/{id}/study', { params })))
  onMounted(load)
  return { load, study, isBusy, makeSummary, makeCards, makeQuiz }
}
