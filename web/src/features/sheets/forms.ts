import type { SheetForm } from '@/api/client'

/** What each form of sheet is for, in the order in which they are offered. */
export const sheetForms: readonly { form: SheetForm; name: string; what: string }[] = [
  { form: 'points', name: 'Key points', what: 'what is to be known, chapter by chapter' },
  { form: 'outline', name: 'Outline', what: 'how the lecture goes, at a glance' },
  { form: 'cues', name: 'Cue notes', what: 'a cue left, what it stands for right' },
  { form: 'terms', name: 'Terms', what: 'each with its meaning, a number, an example' },
  { form: 'numbers', name: 'Numbers', what: 'each with what it is of' },
  { form: 'comparison', name: 'Comparison', what: 'two things beside each other' },
  { form: 'steps', name: 'Steps', what: 'what is done in which order' },
  { form: 'tasks', name: 'Dates and tasks', what: 'what you were asked to do, and by when' },
  { form: 'own', name: 'My own', what: 'empty: passages, answers and marks are put on it' },
]

/** Those that are made of any lecture without more being said. */
export const plainForms = sheetForms.filter((f) => f.form !== 'own' && f.form !== 'comparison')
