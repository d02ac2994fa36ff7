import { useEventListener } from '@vueuse/core'

/** The browser asks before the page goes while something is not saved that would go with it. */
export function useUnsaved(isUnsaved: () => boolean) {
  useEventListener('beforeunload', (event) => {
    if (isUnsaved()) event.preventDefault()
  })
}
