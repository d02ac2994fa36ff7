import { computed, ref, shallowRef } from 'vue'
import { api, must, type Question, type Thread, type Written } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { useLatest } from '@/shared/useLatest'

/** What is asked: a lecture, a course, or everything where both are missing. */
export interface AskedPlace {
  lecture?: string
  course?: string
}

/** How a question is to be taken. */
export interface Taken {
  isAlone?: boolean
  off?: string[]
  fromMs?: number
  toMs?: number
  compares?: boolean
}

/** The threads of a place, and the one that is open. */
export function useThreads(place: AskedPlace) {
  const notice = useNotice()
  const latest = useLatest()
  const threads = shallowRef<Thread[]>([])
  const openId = ref<number | null>(null)
  const questions = shallowRef<Question[]>([])
  const isBusy = ref(false)
  const thread = computed(() => threads.value.find((t) => t.id === openId.value) ?? null)

  async function load() {
    const found = await notice.attempt(() => must(api.GET('/api/threads', { params: { query: { ...place } } })))
    if (found) threads.value = found
  }

  const open = (id: number) =>
    latest(
      () => must(api.GET('/api/threads/{id}', { params: { path: { id } } })),
      (whole) => {
        openId.value = whole.thread.id
        questions.value = whole.questions
        keep(whole.thread)
      },
      notice.fail,
    )
  const reload = () => (openId.value === null ? Promise.resolve() : open(openId.value))

  function close() {
    openId.value = null
    questions.value = []
  }

  function keep(changed: Thread) {
    threads.value = [changed, ...threads.value.filter((t) => t.id !== changed.id)]
  }

  /** Asks, in the thread that is open or in a new one. */
  async function ask(text: string, taken: Taken = {}) {
    if (!text || isBusy.value) return false
    isBusy.value = true
    const body = { text, thread: openId.value ?? undefined, isAlone: false, compares: false, ...place, ...taken }
    const asked = await notice.attempt(() => must(api.POST('/api/questions', { body })))
    isBusy.value = false
    if (!asked) return false
    questions.value = asked.thread.id === openId.value ? [...questions.value, asked.question] : [asked.question]
    openId.value = asked.thread.id
    keep(asked.thread)
    return true
  }

  async function rename(title: string) {
    const id = openId.value
    if (id === null) return
    const renamed = await notice.attempt(() =>
      must(api.PUT('/api/threads/{id}', { params: { path: { id } }, body: { title } })),
    )
    if (renamed) threads.value = threads.value.map((t) => (t.id === id ? renamed : t))
  }

  async function remove(gone: Thread) {
    const path = { params: { path: { id: gone.id } } }
    const isDone = await notice.attempt(async () => {
      await must(api.DELETE('/api/threads/{id}', path))
      return true
    })
    if (!isDone) return
    threads.value = threads.value.filter((t) => t.id !== gone.id)
    if (openId.value === gone.id) close()
    notice.tell(`The thread “${gone.title}” is gone.`, () => {
      void notice
        .attempt(() => must(api.POST('/api/threads/{id}/restore', path)))
        .then(load)
        .then(() => open(gone.id))
    })
  }

  /** The person says which place answers. */
  async function choose(question: Question, lecture: string, startMs: number, endMs: number) {
    const answered = await notice.attempt(() =>
      must(
        api.POST('/api/questions/{question}/place', {
          params: { path: { question: question.id } },
          body: { lecture, startMs, endMs },
        }),
      ),
    )
    if (answered) questions.value = questions.value.map((q) => (q.id === answered.id ? answered : q))
  }

  /** What a model wrote of a question. */
  function wrote(question: Question, written: Written | null) {
    questions.value = questions.value.map((q) => (q.id === question.id ? { ...q, written } : q))
  }

  return { wrote, threads, thread, questions, isBusy, load, open, reload, close, ask, rename, remove, choose }
}
