/** 1.4 MB, 2.1 GB. */
export function megabytes(bytes: number): string {
  if (bytes >= 1e9) return `${(bytes / 1e9).toFixed(1)} GB`
  if (bytes >= 1e6) return `${(bytes / 1e6).toFixed(1)} MB`
  return `${Math.ceil(bytes / 1e3)} kB`
}

/** A title from a file's name: without the extension, underscores as spaces. */
export function titleFrom(name: string): string {
  const dot = name.lastIndexOf('.')
  return (dot > 0 ? name.slice(0, dot) : name).replaceAll('_', ' ').trim()
}

/** Whether a file is the text of a lecture, by its name. */
export const isText = (name: string) => /\.(?:srt|vtt|tsv|json|txt|md)$/iu.test(name)
