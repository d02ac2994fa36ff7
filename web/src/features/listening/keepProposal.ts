import { api, must } from '@/api/client'

/** Keeps a listening plan of the chapters that carry most of some lectures in the minutes one has. */
export async function keepProposal(title: string, lectureIds: string[], minutes: number) {
  const { parts } = await must(
    api.POST('/api/plans/propose', {
      body: { lectureIds, budgetMs: minutes * 60_000, speed: 1, withoutSilences: false },
    }),
  )
  const wanted = parts.map(({ lectureId, startMs, endMs, title }) => ({ lectureId, startMs, endMs, title }))
  return must(api.POST('/api/plans', { body: { title, parts: wanted } }))
}
