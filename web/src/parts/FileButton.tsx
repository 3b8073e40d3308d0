import type { ReactNode } from 'react'

/** A button that takes a file. */
export function FileButton({
  accept,
  capture,
  onFile,
  children,
}: {
  readonly accept: string
  readonly capture?: 'environment'
  readonly onFile: (file: File) => void
  readonly children: ReactNode
}) {
  return (
    <label className="small-act cursor-pointer has-focus-visible:outline-3">
      {children}
      <input
        type="file"
        accept={accept}
        capture={capture}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0]
          // The same file may be chosen again once it was mended.
          event.target.value = ''
          if (file) onFile(file)
        }}
      />
    </label>
  )
}
