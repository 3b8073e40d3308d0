/** What a code says: a docket to open, or a command for the case that is open. */
type Scanned =
  | { readonly kind: 'docket'; readonly docket: string }
  | { readonly kind: 'command'; readonly command: ScannedCommand }

export const scannedCommands = ['START', 'DONE', 'NOTNOW', 'FAULT', 'WEIGH'] as const
export type ScannedCommand = (typeof scannedCommands)[number]

/** The text in a command's QR code. */
export function commandCode(command: ScannedCommand): string {
  return `YK:${command}`
}

/** Reads a scanned or pasted code; undefined when it is none of ours. */
export function readCode(text: string): Scanned | undefined {
  const code = text.trim().toUpperCase()
  const command = scannedCommands.find((each) => commandCode(each) === code)
  if (command) return { kind: 'command', command }
  return /^[A-Z]{1,4}-\d{1,8}$/.test(code) ? { kind: 'docket', docket: code } : undefined
}

/** Keys closer together than this come from a scanner, not from a hand. ms */
const SCANNER_GAP_MILLIS = 60

/**
 * Listens for a scanner: a burst of keys with Enter behind it, wherever the focus is. A burst that ran into an entry
 * is taken out of it again, so that a scan never changes what was typed.
 * @returns stops listening
 */
export function listenForScans(onScan: (scanned: Scanned) => void): () => void {
  let burst = ''
  let lastKey = 0
  let before: { readonly field: HTMLInputElement | HTMLTextAreaElement; readonly value: string } | undefined
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const fresh = event.timeStamp - lastKey > SCANNER_GAP_MILLIS
    if (fresh) burst = ''
    lastKey = event.timeStamp
    if (event.key === 'Enter') {
      const scanned = burst.length >= 3 ? readCode(burst) : undefined
      burst = ''
      if (!scanned) return
      event.preventDefault()
      event.stopPropagation()
      if (before) restore(before.field, before.value)
      onScan(scanned)
      return
    }
    if (event.key.length !== 1) return
    if (burst === '') {
      const { target } = event
      const typing = target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement
      before = typing ? { field: target, value: target.value } : undefined
    }
    burst += event.key
  }
  const onPaste = (event: ClipboardEvent) => {
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return
    const scanned = readCode(event.clipboardData?.getData('text') ?? '')
    if (scanned) onScan(scanned)
  }
  addEventListener('keydown', onKey, true)
  addEventListener('paste', onPaste)
  return () => {
    removeEventListener('keydown', onKey, true)
    removeEventListener('paste', onPaste)
  }
}

/** Puts a value back as if it had been typed, so that React takes notice. */
function restore(field: HTMLInputElement | HTMLTextAreaElement, value: string): void {
  const prototype =
    field instanceof HTMLInputElement ? HTMLInputElement.prototype : HTMLTextAreaElement.prototype
  Object.getOwnPropertyDescriptor(prototype, 'value')?.set?.call(field, value)
  field.dispatchEvent(new Event('input', { bubbles: true }))
}
