import type { Saying } from '@yentrik/core'
import { useState } from 'react'
import { sentenceOf } from '../live/request.ts'
import { FileButton } from '../parts/FileButton.tsx'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { type CsvRow, readCsv } from './csv.ts'

/** What a row of a file comes to: something to store, or what is wrong with it. */
export type ReadRow<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly sentence: Saying }

interface ImportPreviewProps<H extends string, T> {
  /** What comes in, as in "cases". */
  readonly what: string
  readonly heads: readonly H[]
  readonly needed: readonly H[]
  readonly read: (row: CsvRow<H>) => ReadRow<T>
  /** The row in a few words. */
  readonly words: (row: CsvRow<H>) => string
  readonly store: (value: T) => Promise<unknown>
}

/** Rows out of a CSV file: each is looked at first, and says what is wrong with it; only then are the good ones stored. */
export function ImportPreview<H extends string, T>(props: ImportPreviewProps<H, T>) {
  const { what, heads, needed } = props
  const [rows, setRows] = useState<readonly CsvRow<H>[]>()
  const [fault, setFault] = useState<string>()
  const take = async (file: File) => {
    const read = readCsv(await file.text(), heads, needed)
    setFault(read.ok ? undefined : `${file.name}: ${read.sentence}`)
    setRows(read.ok ? read.rows : undefined)
  }
  return (
    <>
      {fault && <Message tone="error">{fault}</Message>}
      <FileButton accept="text/csv,.csv" onFile={(file) => void take(file)}>
        {what} from CSV
      </FileButton>
      {rows && <Preview {...props} rows={rows} onClose={() => setRows(undefined)} />}
    </>
  )
}

type Fate = { readonly stored: true } | { readonly stored: false; readonly sentence: Saying }

function Preview<H extends string, T>({
  what,
  rows,
  read,
  words,
  store,
  onClose,
}: ImportPreviewProps<H, T> & { readonly rows: readonly CsvRow<H>[]; readonly onClose: () => void }) {
  const [fates, setFates] = useState<ReadonlyMap<number, Fate>>(new Map())
  const [busy, setBusy] = useState(false)
  const looked = rows.map((row) => ({ row, read: read(row) }))
  const good = looked.filter(({ row, read: each }) => each.ok && !fates.get(row.line)?.stored)
  const take = async () => {
    setBusy(true)
    const next = new Map(fates)
    // One after the other, in the order of the file: numbers are given out in that order too.
    for (const { row, read: each } of good)
      if (each.ok) {
        next.set(
          row.line,
          await store(each.value)
            .then((): Fate => ({ stored: true }))
            .catch((error: unknown): Fate => ({ stored: false, sentence: sentenceOf(error) })),
        )
        setFates(new Map(next))
      }
    setBusy(false)
  }
  const stored = [...fates.values()].filter((fate) => fate.stored).length
  return (
    <Sheet title={`${what} from CSV`} onClose={onClose}>
      <ul className="grid max-h-[60dvh] gap-1 overflow-y-auto" aria-label="Rows of the file">
        {looked.map(({ row, read: each }) => {
          const fate = fates.get(row.line)
          const wrong = fate ? (fate.stored ? undefined : fate.sentence) : each.ok ? undefined : each.sentence
          return (
            <li key={row.line} className="border-base-300 border-b py-1">
              <span className="figures mr-3 opacity-80">line {row.line}</span>
              {words(row)}
              {wrong !== undefined ? (
                <Message tone="error" words={wrong} />
              ) : (
                <Message tone="good">{fate?.stored ? 'Stored' : 'Good'}</Message>
              )}
            </li>
          )
        })}
      </ul>
      <div className="mt-4 flex flex-wrap items-center gap-3">
        {good.length > 0 && (
          <button type="button" className="act-main" disabled={busy} onClick={() => void take()}>
            {good.length === 1 ? 'Store the good row' : `Store the ${good.length} good rows`}
          </button>
        )}
        <button type="button" className="act" onClick={onClose}>
          {stored > 0 && good.length === 0 ? 'Done' : 'Leave it'}
        </button>
        <p>
          {looked.length - looked.filter(({ read: each }) => each.ok).length} of {looked.length} want mending
          in the file. Nothing of them is stored.
        </p>
      </div>
    </Sheet>
  )
}
