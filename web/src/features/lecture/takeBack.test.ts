import { afterEach, describe, expect, it, vi } from 'vitest'
import { api } from '@/api/client'
import { stays, takeBack } from './takeBack'

const edits = ['seas', 'streams', 'tables'].map((lectureId, i) => ({ lectureId, edit: i + 1 }))

/** The server's answers, lecture by lecture. */
function serve(answer: (lecture: string) => { status: number; body: unknown }) {
  const asked: [string, number][] = []
  vi.spyOn(api, 'POST').mockImplementation((async (
    _: string,
    o: { params: { path: { id: string }; query: { only: number } } },
  ) => {
    asked.push([o.params.path.id, o.params.query.only])
    const { status, body } = answer(o.params.path.id)
    return { [status < 400 ? 'data' : 'error']: body, response: new Response(null, { status }) }
  }) as never)
  return { asked, notice: { tell: vi.fn(), fail: vi.fn() } }
}

describe('taking an edit back in a whole course', () => {
  afterEach(() => vi.restoreAllMocks())

  it('names the edit in every lecture', async () => {
    const { asked, notice } = serve(() => ({ status: 200, body: { leftAlone: 0 } }))
    await takeBack(edits, notice)
    expect(asked).toEqual([
      ['seas', 1],
      ['streams', 2],
      ['tables', 3],
    ])
    expect(notice.tell).toHaveBeenCalledWith('Taken back.')
  })

  it('goes on after a lecture that was changed since, and says so', async () => {
    const { asked, notice } = serve((l) =>
      l === 'seas'
        ? { status: 422, body: { detail: 'The text was changed again since.' } }
        : { status: 200, body: { leftAlone: 0 } },
    )
    await takeBack(edits, notice)
    expect(asked).toHaveLength(3)
    expect(notice.fail).toHaveBeenCalledWith('The text was changed again since.')
    expect(notice.tell).not.toHaveBeenCalled()
  })

  it('says what was made and stays', async () => {
    const { notice } = serve(() => ({ status: 200, body: { leftAlone: 1 } }))
    await takeBack(edits.slice(0, 1), notice)
    expect(notice.tell).toHaveBeenCalledWith(stays(1))
    expect([stays(1), stays(2)].map((s) => s.slice(0, 8))).toEqual(['1 thing ', '2 things'])
  })
})
