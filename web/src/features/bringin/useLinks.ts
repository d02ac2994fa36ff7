import { ref } from 'vue'
import { api, must, says, type Schemas } from '@/api/client'
import { useLatest } from '@/shared/useLatest'

type Looked = Schemas['LookedAtLink']
type CaptionUse = Schemas['CaptionUse']

/** Something that was found behind an address, as a person is about to bring it in. */
export interface ChosenLink {
  address: string
  found: Schemas['FoundLinkView']
  title: string
  heldOn: string
  use: CaptionUse
}

/** Addresses of the web: looked behind before anything is fetched. */
export function useLinks() {
  const text = ref('')
  const isLooking = ref(false)
  const chosen = ref<ChosenLink[]>([])
  const feeds = ref<{ address: string; title: string }[]>([])
  const problems = ref<{ address: string; problem: string }[]>([])
  const latest = useLatest()

  async function look() {
    const addresses = text.value.split('\n').filter((l) => l.trim())
    if (!addresses.length) return
    isLooking.value = true
    problems.value = []
    await latest(
      () => must(api.POST('/api/links/look', { body: { addresses } })),
      take,
      (e) => {
        problems.value = [{ address: '', problem: says(e) }]
      },
    )
    isLooking.value = false
  }

  function take(looked: Looked[]) {
    for (const { address, found, problem } of looked) {
      if (!found) problems.value.push({ address, problem: problem ?? '' })
      else if (found.kind === 'feed') feeds.value.push({ address: found.media, title: found.title })
      else
        chosen.value.push({
          address,
          found,
          title: found.title,
          heldOn: found.date ?? '',
          use: found.captions.length ? 'instead' : 'none',
        })
    }
    // What could not be had stays, to be put right.
    text.value = problems.value.map((p) => p.address).join('\n')
  }

  /** Makes lectures of what was found. */
  async function bring(course: string, choice: Schemas['TranscriptionChoice']) {
    const links = chosen.value.map((c) => ({
      address: c.address,
      media: c.found.media,
      kind: c.found.kind,
      title: c.title,
      titleIsGuessed: c.found.titleIsGuessed && c.title === c.found.title,
      heldOn: c.heldOn || null,
      captions: c.found.captions[0] ?? null,
      use: c.use,
      chapters: c.found.chapters,
    }))
    await must(api.POST('/api/links', { body: { links, course, choice } }))
    chosen.value = []
  }

  return { text, isLooking, chosen, feeds, problems, look, bring }
}
