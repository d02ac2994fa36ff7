import { computed, watch, type Ref } from 'vue'
import { deskWorks, type DeskWork } from '@/features/desk/works'
import type { Find } from '@/page/useFind'

/** What the stave shows under the sound: what was found, or what the desk is about. */
export function useStaveSpans(
  find: Find,
  desk: Ref<DeskWork | null>,
  evidence: Ref<{ startMs: number; endMs: number }[]>,
) {
  watch(desk, () => (evidence.value = []))
  const spans = computed(() => (find.isOpen.value ? find.hits.value : evidence.value))
  const spansName = computed(() => {
    if (find.isOpen.value) return 'Found'
    return desk.value === 'ask' ? 'Evidence' : desk.value ? deskWorks[desk.value] : ''
  })
  return { spans, spansName }
}
