import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { commandCode, readCode, scannedCommands } from './scanner.ts'

describe('a code', () => {
  it('is a docket, however it was scanned or pasted', () => {
    for (const text of ['K-2157', ' k-2157 ', 'K-2157\n'])
      expect(readCode(text)).toEqual({ kind: 'docket', docket: 'K-2157' })
  })
  it('is a command that was printed on the sheet', () => {
    for (const command of scannedCommands)
      expect(readCode(commandCode(command))).toEqual({ kind: 'command', command })
    expect(readCode('yk:done')).toEqual({ kind: 'command', command: 'DONE' })
  })
  it.each(['', 'K2157', 'K-', 'KILNS-1', 'K-123456789', 'YK:FLY', '2157', 'K-21 57', 'water 23 mL'])(
    '"%s" is none of ours',
    (text) => expect(readCode(text)).toBeUndefined(),
  )
  it('is never made out of ordinary typing', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[a-z0-9 .,]{0,40}$/), (text) => expect(readCode(text)).toBeUndefined()),
    )
  })
})
