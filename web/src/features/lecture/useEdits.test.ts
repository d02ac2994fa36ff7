import { afterEach, describe, expect, it, vi } from 'vitest'
import { ref, shallowRef } from 'vue'
import { api, type Edit, type EditResult, type Transcript } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { useLive, type TextChange } from '@/shared/live'
import { inComponent } from '@/testing/inComponent'
import { said, written } from '@/testing/transcripts'
import { useEdits } from './useEdits'

const state = (version: number) => ({ version, undo: 'a correction', redo: null, isEdited: true })
const result = (text: string, baseVersion: number): EditResult =>
  ({
    baseVersion,
    state: state(baseVersion + 1),
    splices: [{ at: 1, removed: 1, passages: [said('p2', text, 5000)] }],
    speakers: null,
    chapters: null,
    leftAlone: 0,
  }) as unknown as EditResult
const rewrite = (text: string): Edit => ({ kind: 'rewrite', passageId: 'p2', expected: 'the tied rises', text }) as Edit

/** The edits of a small lecture whose server answers one call after the other, as it is told to. */
function desk() {
  const transcript = shallowRef<Transcript | null>(
    written([said('p1', 'Good evening'), said('p2', 'the tied rises', 5000)]),
  )
  const sent: unknown[] = []
  const answers: ((value: { status: number; body: unknown }) => void)[] = []
  vi.spyOn(api, 'POST').mockImplementation((async (_: string, options: unknown) => {
    sent.push(options)
    const { status, body } = await new Promise<{ status: number; body: unknown }>((done) => answers.push(done))
    return { [status < 400 ? 'data' : 'error']: body, response: new Response(null, { status }) }
  }) as never)
  const reload = vi.fn(async () => {
    transcript.value = written([said('p1', 'Good evening'), said('p2', 'the tide falls', 5000)], 7)
  })
  let hears: ((change: TextChange) => void) | undefined
  const [made, end] = inComponent(() => {
    vi.spyOn(useLive(), 'listenTexts').mockImplementation((listener) => {
      hears = listener
      return () => true
    })
    return { edits: useEdits(ref('seas'), transcript, reload), notice: useNotice() }
  })
  const told = (version: number) => hears?.({ lectureId: 'seas', version })
  const answer = (n: number, body: unknown, status = 200) => answers[n]?.({ status, body })
  return { ...made, transcript, sent, answer, reload, told, end }
}
const soon = () => new Promise((done) => setTimeout(done))

describe('edits of a text', () => {
  afterEach(() => vi.restoreAllMocks())

  it('go to the server one after the other, and each is put into what is shown', async () => {
    const d = desk()
    const first = d.edits.edit(rewrite('the tide rises'))
    const second = d.edits.edit(rewrite('the tide rises twice'))
    await soon()
    expect(d.sent).toHaveLength(1)
    expect(d.edits.state.value).toBe('saving')
    d.answer(0, result('the tide rises', 1))
    expect(await first).toBe(true)
    await soon()
    expect(d.sent).toHaveLength(2)
    d.answer(1, result('the tide rises twice', 2))
    expect(await second).toBe(true)
    expect(d.transcript.value?.passages.map((p) => p.text)).toEqual(['Good evening', 'the tide rises twice'])
    expect(d.transcript.value?.state.version).toBe(3)
    await soon()
    expect(d.edits.state.value).toBe('saved')
    d.end()
  })

  it('load the text anew when another window was there first', async () => {
    const d = desk()
    const done = d.edits.edit(rewrite('the tide rises'))
    await soon()
    d.answer(0, result('the tide rises', 6))
    await done
    expect(d.reload).toHaveBeenCalled()
    d.end()
  })

  it('come back by their answers alone, however early the other way tells of them', async () => {
    const d = desk()
    const done = d.edits.edit(rewrite('the tide rises'))
    await soon()
    d.told(2)
    await soon()
    expect(d.reload).not.toHaveBeenCalled()
    d.answer(0, result('the tide rises', 1))
    await done
    await soon()
    expect(d.reload).not.toHaveBeenCalled()
    d.told(3)
    await soon()
    expect(d.reload).toHaveBeenCalledOnce()
    d.end()
  })

  it('keep both wordings when the passage itself was changed elsewhere', async () => {
    const d = desk()
    const done = d.edits.edit(rewrite('the tide rises'))
    await soon()
    d.answer(0, { detail: 'In whatever words.', code: 'passage-changed' }, 409)
    expect(await done).toBe(false)
    expect(d.edits.conflict.value).toEqual({ passageId: 'p2', mine: 'the tide rises' })
    expect(d.transcript.value?.passages[1]?.text).toBe('the tide falls')
    d.end()
  })

  it('say what went wrong and go on with the next', async () => {
    const d = desk()
    const done = d.edits.edit(rewrite(''))
    await soon()
    d.answer(0, { detail: 'A passage needs words.' }, 422)
    expect(await done).toBe(false)
    await soon()
    expect([d.edits.state.value, d.edits.problem.value]).toEqual(['failed', 'A passage needs words.'])
    const next = d.edits.edit(rewrite('the tide rises'))
    await soon()
    d.answer(1, result('the tide rises', 1))
    expect(await next).toBe(true)
    expect(d.edits.problem.value).toBe('')
    d.end()
  })

  it('are not taken back while there are none, and tell what was left as it is', async () => {
    const d = desk()
    await d.edits.undo()
    expect(d.sent).toHaveLength(0)
    d.transcript.value = {
      ...written([said('p1', 'Good evening'), said('p2', 'x', 5000)]),
      state: state(1),
    } as Transcript
    const done = d.edits.undo()
    await soon()
    d.answer(0, { ...result('the tied rises', 1), leftAlone: 2 })
    await done
    expect(d.notice.current?.text).toContain('2 things made from this lecture')
    d.end()
  })
})
