import { describe as group, expect, it } from 'vitest'
import type { Progress } from '@/api/client'
import { describe } from './stages'

const progress = (change: Partial<Progress>): Progress => ({
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
    [progress({}), 'Writing down what is said · 42 % · 2 min left'],
    [progress({ secondsLeft: 8 }), 'Writing down what is said · 42 % · 8 s left'],
    [progress({ secondsLeft: null }), 'Writing down what is said · 42 %'],
    [progress({ stage: 'checking' }), 'Looking at the file'],
    [progress({ state: 'waiting' }), 'Waiting for its turn'],
    [progress({ stage: 'fetching' }), 'Fetching · 42 % · 2 min left'],
    [progress({ stage: 'fetching', fraction: 0 }), 'Fetching'],
    [progress({ stage: 'fetching', state: 'cancelled' }), 'Stopped. What had arrived is kept.'],
    [progress({ stage: 'making', fraction: 0 }), 'Making what is wanted of it'],
    [progress({ stage: 'making', secondsLeft: 4 }), 'Making what is wanted of it · 42 % · 4 s left'],
    [progress({ state: 'failed', problem: 'The file is empty.' }), 'The file is empty.'],
    [progress({ state: 'cancelled' }), 'Stopped. What was recognised so far is kept.'],
  ])('%#', (progress, text) => expect(describe(progress)).toBe(text))
})
