import { useRouter } from 'vue-router'
import { api, must, type Evidence } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { overviewParts } from './overview'

/** Makes a listening plan of the sentences of a summary or a sheet, and opens it: heard one after the other, taken away as one sound file. */
export function useOverview() {
  const notice = useNotice()
  const router = useRouter()
  return async (title: string, lines: readonly Evidence[]) => {
    const body = { title: title.slice(0, 200), parts: overviewParts(lines) }
    const plan = await notice.attempt(() => must(api.POST('/api/plans', { body })))
    if (plan) await router.push({ name: 'plan', params: { id: plan.id } })
  }
}
