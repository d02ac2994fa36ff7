import createClient from 'openapi-fetch'
import type { components, paths } from './generated/schema'

export type Schemas = components['schemas']
export type Lecture = Schemas['LectureView']
export type Transcript = Schemas['TranscriptView']
export type Passage = Schemas['PassageView']
export type Speaker = Schemas['Speaker']
export type Edit = Schemas['TranscriptEdit']
export type EditResult = Schemas['EditResult']
export type TextState = Schemas['TextState']
export type Mark = Schemas['MarkView']
export type MarkKind = Schemas['MarkKind']
export type Word = Schemas['Word']
export type Silence = Schemas['Silence']
export type Difference = Schemas['Difference']
export type SearchResult = Schemas['SearchResult']
export type LectureEdit = Schemas['LectureEdit']
export type Elsewhere = Schemas['ElsewhereView']
export type Evidence = Schemas['EvidenceView']
export type Accuracy = Schemas['Accuracy']
export type TranscriptHistory = Schemas['TranscriptHistory']
export type Languages = Schemas['LanguagesView']
export type Service = Schemas['ServiceView']
export type TermList = Schemas['TermList']
export type Chapter = Schemas['Chapter']
export type Progress = Schemas['Progress']
export type PassingAnswer = Schemas['PassingAnswer']
export type Answer = Schemas['AnswerView']
export type Written = Schemas['WrittenView']
export type Recording = Schemas['RecordingView']
export type RecordingText = Schemas['RecordingText']
export type HeardCorrection = Schemas['HeardCorrection']
export type HeardAnswer = Schemas['HeardAnswerView']
export type DictationCommand = Schemas['DictationCommand']
export type DictationText = Schemas['DictationText']
export type LostThread = Schemas['LostThreadView']
export type WrittenPiece = Schemas['WrittenPiece']
export type WrittenSheetPiece = Schemas['WrittenSheetPiece']
export type CourseSheetPiece = Schemas['CourseSheetPiece']
export type SearchCourse = Schemas['SearchCourse']
export type WrittenSheetWish = Schemas['WrittenSheetWish']
export type WritingPreview = Schemas['WritingPreview']
export type Writers = Schemas['WritersView']
export type SentenceDoubt = Schemas['SentenceDoubt']
export type Thread = Schemas['ThreadView']
export type ScopeKind = Schemas['ScopeKind']
export type Question = Schemas['QuestionView']
export type Study = Schemas['StudyView']
export type Quiz = Schemas['QuizView']
export type WantedSummary = Schemas['WantedSummary']
export type NewQuiz = Schemas['NewQuiz']
export type QuizQuestion = Schemas['QuizQuestionView']
export type Attempt = Schemas['AttemptView']
export type Sheet = Schemas['SheetView']
export type SheetEntry = Schemas['SheetEntry']
export type StudySet = Schemas['StudySet']
export type SheetForm = Schemas['SheetForm']
export type SheetDifference = Schemas['SheetDifference']
export type EarlierSheet = Schemas['EarlierSheet']
export type CardDraft = Schemas['CardDraftView']
export type KeptDraft = Schemas['KeptDraft']
export type Card = Schemas['CardView']
export type Grade = Schemas['RecallGrade']
export type Stretch = Schemas['Stretch']
export type Plan = Schemas['PlanView']
export type Subject = Schemas['SubjectView']
export type Course = Schemas['CourseView']
export type SearchView = Schemas['SearchView']
export type SearchLecture = Schemas['SearchLecture']
export type SearchHit = Schemas['SearchHit']
export type SearchKind = Schemas['IndexedKind']
export type Today = Schemas['TodayView']

/** What went wrong, in the server's plain words for the person, and as a code for the page: the words may change, the code does not. */
export class Problem extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly code = '',
  ) {
    super(message)
  }
}

export const api = createClient<paths>({ baseUrl: globalThis.location?.origin })

const unreachable = 'Kostel does not answer. If it was stopped, start it again; nothing that was saved is lost.'

type Result<T> = { data?: T; error?: unknown; response: Response }

/** The data of an answer, or a Problem. */
export async function must<T>(call: Promise<Result<T>>): Promise<T> {
  let result: Result<T>
  try {
    result = await call
  } catch {
    throw new Problem(unreachable, 0, 'unreachable')
  }
  const { data, error, response } = result
  if (!response.ok) {
    const { detail, code } = (error ?? {}) as { detail?: unknown; code?: unknown }
    throw new Problem(
      typeof detail === 'string' ? detail : `Kostel answered with an error (${response.status}).`,
      response.status,
      typeof code === 'string' ? code : '',
    )
  }
  return data as T
}

export const hasCode = (e: unknown, code: string): boolean => e instanceof Problem && e.code === code
export const says = (e: unknown): string => (e instanceof Error ? e.message : String(e))
