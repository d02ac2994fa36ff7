import { computed } from 'vue'
import type { SheetForm } from '@/api/client'
import { useNotice } from '@/shared/notice'

/** What a sheet or a summary is taken away as. */
export const formats = [
  { format: 'md', title: 'Markdown' },
  { format: 'docx', title: 'Document (docx)' },
  { format: 'pdf', title: 'PDF' },
  { format: 'html', title: 'Page (html)' },
]

/** A sheet as files and on the clipboard. */
export function useSheetFiles(sheet: () => { sheet: number; form: SheetForm }) {
  const notice = useNotice()
  const address = (format: string) => `/api/sheets/${sheet().sheet}/export?format=${format}`
  const text = async (format: string) => (await fetch(address(format))).text()

  /** As HTML for who can take it, and as text. */
  async function copy() {
    try {
      const type = (name: string, what: string) => new Blob([what], { type: name })
      const [html, plain] = await Promise.all([text('html'), text('md')])
      await navigator.clipboard.write([
        new ClipboardItem({ 'text/html': type('text/html', html), 'text/plain': type('text/plain', plain) }),
      ])
      notice.tell('Copied.')
    } catch {
      notice.fail(new Error('This browser did not allow copying. Take it away as a page instead.'))
    }
  }
  return {
    copy,
    formats: computed(() =>
      [...formats, ...(sheet().form === 'tasks' ? [{ format: 'ics', title: 'Calendar (ics)' }] : [])].map((f) => ({
        title: f.title,
        address: address(f.format),
      })),
    ),
  }
}
