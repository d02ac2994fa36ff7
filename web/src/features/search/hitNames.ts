import type { SearchHit } from '@/api/client'

/** What was found, where it is not what was said. */
export const kindNames: Record<SearchHit['kind'], string> = {
  passage: 'Said',
  title: 'Title',
  chapter: 'Chapter',
  mark: 'Mark',
  card: 'Card',
  summary: 'Summary',
  sheet: 'Sheet',
  question: 'Question',
  thread: 'Thread',
  term: 'Term',
  course: 'Course',
}

/** Why a place was found, where it does not have every word. */
export const byNames: Record<SearchHit['by'], string> = {
  words: '',
  someWords: 'Some of the words',
  sound: 'Sounds like it',
  meaning: 'In other words',
}
