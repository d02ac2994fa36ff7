import { describe as group, expect, it } from 'vitest'
import type { Progress } from '@/api/client'
import { describe } from './stages'

const work = (change: Partial<Progress>): Progress => ({
  lectureId: 'x',
  stage: 'listening',
  state: 'running',
  fraction: 0.421,
  secondsLeft: 95,
  wordCount: 3,
  problem: null,
  ...change,
})

group('how a transcription stands, in words', () => {
  it.each([
    [work({}), 'Writing down what is said · 42 % · 2 min left'],
    [work({ secondsLeft: 8 }), 'Writing down what is said · 42 % · 8 s left'],
    [work({ secondsLeft: null }), 'Writing down what is said · 42 %'],
    [work({ stage: 'checking' }), 'Looking at the file'],
    [work({ state: 'waiting' }), 'Waiting for its turn'],
    [work({ state: 'failed', problem: 'The file is empty.' }), 'The file is empty.'],
    [work({ state: 'cancelled' }), 'Stopped. What was recognised so far is kept.'],
  ])('%#', (progress, text) => expect(describe(progress)).toBe(text))
})
