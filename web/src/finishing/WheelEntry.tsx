import { type DataOfKind, resinLadder, wheelFor } from '@yentrik/core'
import { useState } from 'react'
import { attempt } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'

/** Compounds that stand on wheels; bur, stone and rubber are tools of their own. */
const compounds = resinLadder.stages.slice(resinLadder.stages.findIndex(({ id }) => id === 'rubber') + 1)
const compoundOf = (label: string) =>
  compounds.find(({ id, name }) => [id, name.toLowerCase()].includes(label.trim().toLowerCase()))

/** The label of the wheel: scanned, typed or tapped. One touch where the wheel is the right one. */
export function WheelEntry({ sheet, last, draftKey, refusal, open, onRecord }: SheetEntryProps<'wheel'>) {
  const [label, keep, forget] = useDraft<string>(draftKey, () => '')
  const [unread, setUnread] = useState(false)
  const record = async (data: Omit<DataOfKind<'wheel'>, 'kind'>) => {
    setUnread(false)
    if (!(await onRecord({ kind: 'wheel', ...data }))) return
    keep('')
    forget()
  }
  const [first] = sheet.stages
  const byWanted = (one: { readonly id: string }, other: { readonly id: string }) =>
    Number(sheet.stages.includes(other.id)) - Number(sheet.stages.includes(one.id))
  const wanted = compounds.find(({ id }) => id === first)
  const written = compounds.find(({ id }) => id === last?.written)
  const mayBeRemarked =
    written && wanted && attempt(() => wheelFor(written, wanted, true)).answer === 'remark'
  return (
    <form
      noValidate
      className="grid max-w-xl gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const written = compoundOf(label)
        if (!open) return
        if (written) void record({ label: label.trim(), written: written.id })
        else setUnread(true)
      }}
    >
      <div className="flex flex-wrap gap-2">
        {[...compounds].sort(byWanted).map(({ id, name }) => (
          <button
            key={id}
            type="button"
            disabled={!open}
            className={`${!last && sheet.stages.includes(id) ? 'act-main' : 'act'} ${last?.written === id ? 'btn-neutral' : ''}`}
            aria-pressed={last?.written === id}
            onClick={() => void record({ label: label.trim() || name, written: id })}
          >
            {name}
          </button>
        ))}
        <button
          type="button"
          disabled={!open}
          className={`act ${last?.written === 'none' ? 'btn-neutral' : ''}`}
          aria-pressed={last?.written === 'none'}
          onClick={() => void record({ label: '', written: 'none' })}
        >
          No mark: mark it now
        </button>
      </div>
      {mayBeRemarked && last && !last.remark && (
        <button
          type="button"
          className="small-act justify-self-start"
          disabled={!open}
          onClick={() => void record({ ...last, remark: true })}
        >
          Mark this one {wanted?.name.toLowerCase()} for good
        </button>
      )}
      <TextField
        label="Or scan its label"
        text={label}
        onText={keep}
        fault={unread ? 'No compound of the ladder stands there: tap which it is.' : undefined}
      />
      {refusal && <Message tone="error" words={refusal} />}
    </form>
  )
}
