import { commandCode, type ScannedCommand, scannedCommands } from '../keys/scanner.ts'
import { Paper } from './Paper.tsx'
import { QrCode } from './QrCode.tsx'

const words: Readonly<Record<ScannedCommand, readonly [string, string]>> = {
  START: ['Start', 'the step that is shown'],
  DONE: ['Done', 'with the step that is shown'],
  NOTNOW: ['Not now', 'show me the next'],
  FAULT: ['Fault', 'write to the dentist'],
  WEIGH: ['Weigh', 'the mix of this step'],
}

/** Codes to hang at the bench: a gloved hand scans instead of touching. */
export function CommandSheet() {
  return (
    <Paper title="Command sheet">
      <h1 className="text-[22pt] font-bold">Scan, don't touch</h1>
      <p>First the docket of the case, then what to do.</p>
      <ul className="mt-6 grid grid-cols-2 gap-x-8 gap-y-10">
        {scannedCommands.map((command) => (
          <li key={command} className="flex items-center gap-5 break-inside-avoid">
            <QrCode text={commandCode(command)} className="w-[38mm]" />
            <span>
              <b className="block text-[20pt]">{words[command][0]}</b>
              {words[command][1]}
            </span>
          </li>
        ))}
      </ul>
    </Paper>
  )
}
