import { ref } from 'vue'
import { api } from '@/api/client'
import { useLive } from './live'

const permission = ref<NotificationPermission | 'none'>('Notification' in window ? Notification.permission : 'none')
let isListening = false

/** Says by a notification of the browser that a lecture is ready, while its window is out of sight. Only once a person asks for it. */
export function useDoneNotices() {
  async function ask() {
    permission.value = await Notification.requestPermission()
    listen()
  }
  listen()
  return {
    /** Whether asking makes sense: nobody was asked yet. */
    canAsk: {
      get value() {
        return permission.value === 'default'
      },
    },
    ask,
  }
}

function listen() {
  if (isListening || permission.value !== 'granted') return
  isListening = true
  useLive().listen((p) => {
    if (p.state === 'done' && document.hidden) void tell(p.lectureId)
  })
}

/** A lecture is ready when nothing more is to be done with it. */
async function tell(id: string) {
  const { data } = await api.GET('/api/lectures/{id}', { params: { path: { id } } }).catch(() => ({ data: undefined }))
  if (!data || data.progress) return
  const shown = new Notification(data.title, { body: 'Ready to read.', tag: id })
  shown.onclick = () => {
    window.focus()
    window.location.assign(`/lecture/${id}`)
  }
}
