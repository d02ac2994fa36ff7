import type { HubConnection } from '@microsoft/signalr'
import { defineStore } from 'pinia'
import { computed, reactive, ref } from 'vue'
import { api, type Progress } from '@/api/client'
import { screenShown } from './idle'

const pollMs = 4000

/** A lecture whose text was changed, in this window or another. */
export interface TextChange {
  lectureId: string
  version: number
}

/** What is being worked on, live: pushed by the server, asked for while the push is down. */
export const useLive = defineStore('live', () => {
  const reports = reactive(new Map<string, Progress>())
  const listeners = new Set<(p: Progress) => void>()
  const textListeners = new Set<(c: TextChange) => void>()
  const dueCount = ref(0)
  const isReachable = ref(true)
  let connection: HubConnection | null = null

  function take(report: Progress) {
    reports.set(report.lectureId, report)
    for (const listener of listeners) listener(report)
  }

  async function refresh() {
    try {
      const { data } = await api.GET('/api/today')
      isReachable.value = true
      if (!data) return
      dueCount.value = data.dueCount
      const working = new Set(data.working.map((l) => l.id))
      for (const lecture of data.working) if (lecture.progress) take(lecture.progress)
      for (const [id, report] of reports) {
        const wasAtWork = report.state === 'running' || report.state === 'waiting'
        if (wasAtWork && !working.has(id)) take({ ...report, state: 'done', fraction: 1 })
      }
    } catch {
      isReachable.value = false
    }
  }

  /** The connection is fetched after the screen: nothing that is read waits for it. */
  async function listenToServer() {
    const { HubConnectionBuilder, LogLevel } = await import('@microsoft/signalr')
    const made = new HubConnectionBuilder()
      .withUrl('/hub/progress')
      .withAutomaticReconnect({ nextRetryDelayInMilliseconds: () => 2000 })
      .configureLogging(LogLevel.None)
      .build()
    connection = made
    made.on('progress', take)
    made.on('text', (change: TextChange) => textListeners.forEach((listener) => listener(change)))
    made.onreconnected(refresh)
    const connect = () => made.start().catch(() => setTimeout(connect, 2000))
    void connect()
  }

  let started = false
  function start() {
    if (started) return
    started = true
    void screenShown.then(() => Promise.all([listenToServer(), refresh()]))
    setInterval(() => {
      if (connection?.state !== 'Connected' || !isReachable.value) void refresh()
    }, pollMs)
  }

  /** Calls back for each report until the returned function is called. */
  function listen(listener: (p: Progress) => void) {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }

  function listenTexts(listener: (c: TextChange) => void) {
    textListeners.add(listener)
    return () => textListeners.delete(listener)
  }

  return { reports, dueCount, isReachable: computed(() => isReachable.value), start, refresh, listen, listenTexts }
})
