import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, must, type Sheet } from '@/api/client'
import { useNotice } from '@/shared/notice'

/** Makes a quiz of what stands on a sheet and goes to it; it takes the place of the one that is shown there. */
export function useQuizOfSheet(sheet: () => Sheet | null) {
  const notice = useNotice()
  const router = useRouter()
  const isMaking = ref(false)

  async function makeQuiz() {
    const of = sheet()
    if (!of?.lectureId) return
    isMaking.value = true
    const params = { path: { sheet: of.id } }
    const isMade = await notice.attempt(async () => {
      await must(api.POST('/api/sheets/{sheet}/quiz', { params }))
      return true
    })
    isMaking.value = false
    if (isMade) await router.push({ name: 'lecture', params: { id: of.lectureId }, query: { desk: 'quiz' } })
  }
  return { isMaking, makeQuiz }
}
