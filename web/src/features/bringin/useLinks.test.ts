import { beforeEach, expect, test, vi } from 'vitest'
import { effectScope } from 'vue'
import { api, type Schemas } from '@/api/client'
import { useLinks } from './useLinks'

type Found = Schemas['FoundLinkView']
const found = (change: Partial<Found> = {}): Found => ({
  media: 'https://slip.example/a.mp3',
  kind: 'recording',
  title: 'Knots',
  date: '2026-10-20',
  bytes: 1000,
  durationMs: null,
  hasPicture: false,
  captions: [],
  chapters: [],
  there: null,
  titleIsGuessed: false,
  ...change,
})
const ok = (data: unknown) => ({ data, response: new Response(null, { status: 200 }) }) as never
const links = () => effectScope().run(useLinks)!

beforeEach(() => vi.restoreAllMocks())

test('what was found can be brought in, and what was not stays to be put right', async () => {
  const captions = [{ address: 'https://slip.example/a.vtt', type: null, language: 'en' }]
  const post = vi.spyOn(api, 'POST').mockResolvedValueOnce(
    ok([
      { address: 'https://slip.example/one', found: found(), problem: null },
      { address: 'https://slip.example/two', found: found({ captions }), problem: null },
      { address: 'https://slip.example/feed', found: found({ kind: 'feed', title: 'Slip' }), problem: null },
      { address: 'https://slip.example/gone', found: null, problem: 'There is nothing there.' },
    ]),
  )
  const l = links()
  l.text.value = 'slip.example/one\n\nslip.example/two\n'
  await l.look()
  expect(l.chosen.value.map((c) => [c.title, c.heldOn, c.use])).toEqual([
    ['Knots', '2026-10-20', 'none'],
    ['Knots', '2026-10-20', 'instead'],
  ])
  expect(l.feeds.value).toEqual([{ address: 'https://slip.example/a.mp3', title: 'Slip' }])
  expect([l.text.value, l.problems.value.length, l.isLooking.value]).toEqual(['https://slip.example/gone', 1, false])

  post.mockResolvedValueOnce(ok({ lectureIds: ['a', 'b'] }))
  await l.bring('Evenings', { accuracy: 'fast', language: null, byService: false, voices: null, model: null })
  expect(post.mock.lastCall).toMatchObject([
    '/api/links',
    {
      body: {
        course: 'Evenings',
        links: [
          { use: 'none', captions: null },
          { use: 'instead', captions: captions[0] },
        ],
      },
    },
  ])
  expect(l.chosen.value).toEqual([])
})

test('what could not be looked at says why', async () => {
  vi.spyOn(api, 'POST').mockResolvedValue({
    error: { detail: 'Give 1 to 100 addresses, one a line.' },
    response: new Response(null, { status: 400 }),
  } as never)
  const l = links()
  l.text.value = 'a'
  await l.look()
  expect(l.problems.value[0]?.problem).toContain('1 to 100')
})
