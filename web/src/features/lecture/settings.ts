import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import type { DoubtsShown } from '@/page/highlights'

/** How a person likes to read: kept in this browser. */
export const sizes = [15, 16, 17, 18, 20, 22, 24] as const
export const widths = { narrow: '52ch', medium: '66ch', wide: '84ch' } as const

/** Which doubtful words are underlined while one only reads. While one checks or types, all of them are. */
export const doubtsShown: Record<DoubtsShown, string> = { none: 'none', few: 'likely wrong', all: 'all' }

export function useReading() {
  const size = useLocalStorage('kostel.size', 17)
  const width = useLocalStorage<keyof typeof widths>('kostel.width', 'medium')
  const hidesFillers = useLocalStorage('kostel.fillers', false)
  const doubts = useLocalStorage<DoubtsShown>('kostel.doubts', 'few')
  const captions = useLocalStorage('kostel.captions', false)
  const skipsSilence = useLocalStorage('kostel.silence', false)
  const style = computed(() => ({
    '--reading-size': `${size.value}px`,
    '--measure': widths[width.value] ?? widths.medium,
  }))
  return { size, width, hidesFillers, doubts, captions, skipsSilence, style }
}

export type Reading = ReturnType<typeof useReading>
