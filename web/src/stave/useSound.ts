import { useDebounceFn } from '@vueuse/core'
import { ref, shallowRef, watch, type Ref } from 'vue'
import { useLatest } from '@/shared/useLatest'
import { lengthOf, type View } from './view'

/** A part of the recording's loudness, a byte a slice. */
export interface SoundPart {
  fromMs: number
  sliceMs: number
  loudness: Uint8Array
}

const overviewBytes = 4_000
const detailBytes = 6_000

async function fetchPart(id: string, range: { fromMs?: number; toMs?: number; most: number }): Promise<SoundPart> {
  const query = new URLSearchParams(Object.entries(range).map(([k, v]) => [k, String(Math.round(v))]))
  const answer = await fetch(`/api/lectures/${id}/peaks?${query}`)
  if (!answer.ok) return { fromMs: 0, sliceMs: 50, loudness: new Uint8Array() }
  return {
    fromMs: Number(answer.headers.get('Kostel-From-Ms') ?? 0),
    sliceMs: Number(answer.headers.get('Kostel-Slice-Ms') ?? 50),
    loudness: new Uint8Array(await answer.arrayBuffer()),
  }
}

const covers = (part: SoundPart | null, view: View) =>
  part !== null &&
  part.fromMs <= view.fromMs &&
  part.fromMs + part.sliceMs * part.loudness.length >= view.toMs - part.sliceMs

/** The sound of a lecture as finely as it is drawn: the whole at once, coarse, and what is looked at closer when it is. */
export function useSound(id: Ref<string>, view: Ref<View>, widthPx: Ref<number>) {
  const overview = shallowRef<SoundPart | null>(null)
  const detail = shallowRef<SoundPart | null>(null)
  const isComing = ref(true)
  const [latestWhole, latestDetail] = [useLatest(), useLatest()]

  async function load() {
    isComing.value = true
    overview.value = detail.value = null
    await latestWhole(
      () => fetchPart(id.value, { most: overviewBytes }),
      (part) => {
        overview.value = part
        isComing.value = false
      },
      () => (isComing.value = false),
    )
  }

  const look = useDebounceFn(async () => {
    const v = view.value
    const pixelMs = lengthOf(v) / Math.max(1, widthPx.value)
    const isFine = (part: SoundPart | null) => part !== null && (part.sliceMs <= pixelMs * 2 || part.sliceMs <= 50)
    if (!overview.value?.loudness.length || isFine(overview.value) || (isFine(detail.value) && covers(detail.value, v)))
      return
    await latestDetail(
      () =>
        fetchPart(id.value, {
          fromMs: Math.max(0, v.fromMs - lengthOf(v)),
          toMs: v.toMs + lengthOf(v),
          most: detailBytes,
        }),
      (part) => (detail.value = part),
      () => undefined,
    )
  }, 60)

  watch(id, load, { immediate: true })
  watch([view, overview, widthPx], look)

  /** The part to draw from: the finer one where it has all that is shown. */
  const partFor = (v: View): SoundPart | null => (covers(detail.value, v) ? detail.value : overview.value)
  return { overview, detail, isComing, partFor, load }
}

export type Sound = ReturnType<typeof useSound>
