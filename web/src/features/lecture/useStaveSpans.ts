import { computed, watch, type Ref } from 'vue'
import { panelOf, type DeskPanelName } from '@/features/desk/panels'
import type { Stretch } from '@/stave/paint'
import type { Find } from '@/page/useFind'

/** What the stave shows under the sound: what was found, or what the desk is about. */
export function useStaveSpans(find: Find, desk: Ref<DeskPanelName | null>, evidence: Ref<Stretch[]>) {
  watch(desk, () => (evidence.value = []))
  const spans = computed<readonly Stretch[]>(() => (find.isOpen.value ? find.hits.value : evidence.value))
  const spansName = computed(() => {
    if (find.isOpen.value) return 'Found'
    const panel = desk.value ? panelOf(desk.value) : null
    return panel ? (panel.spans ?? panel.name) : ''
  })
  return { spans, spansName }
}
