import { useEffect, useRef } from 'react'
import type { ScannedCommand } from './scanner.ts'

/** The event by which the shell tells the screen in front that a command code was scanned. */
const SCANNED_COMMAND = 'yentrik-scanned-command'

export function tellScannedCommand(command: ScannedCommand): void {
  dispatchEvent(new CustomEvent<ScannedCommand>(SCANNED_COMMAND, { detail: command }))
}

/** Acts on scanned commands while this screen is in front. */
export function useScannedCommand(act: (command: ScannedCommand) => void): void {
  const latest = useRef(act)
  latest.current = act
  useEffect(() => {
    const onCommand = (event: Event) => latest.current((event as CustomEvent<ScannedCommand>).detail)
    addEventListener(SCANNED_COMMAND, onCommand)
    return () => removeEventListener(SCANNED_COMMAND, onCommand)
  }, [])
}
