import { type ReactNode, useState } from 'react'
import { useDraft } from '../parts/draft.ts'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { readAll, type Typed, unitsOf } from '../parts/typed-figures.ts'

/** One reading of a machine that is not connected: minutes in, and what it showed. */
export function ReadByHand({
  draftKey,
  startMinutes,
  from,
  showed,
  showedHint,
  wrong,
  first,
  open,
  onReading,
  children,
}: {
  /** Under which what is typed is kept. */
  readonly draftKey: string
  /** As the field begins. */
  readonly startMinutes: string
  /** From when the minutes count, as said under the field. */
  readonly from: string
  readonly showed: string
  readonly showedHint?: string
  /** What is wrong with the program that it ran. */
  readonly wrong?: string
  /** Nothing else is there to record: open from the start. */
  readonly first: boolean
  readonly open: boolean
  readonly onReading: (reading: { readonly minutes: number; readonly celsius: number }) => Promise<boolean>
  readonly children: ReactNode
}) {
  const specs = [
    { key: 'minutes', label: 'Read after', unit: 'min', hint: from },
    { key: 'celsius', label: showed, unit: '°C', hint: showedHint },
  ]
  const [typed, keep, forget] = useDraft<Typed>(`${draftKey} by hand`, () => ({
    minutes: startMinutes,
    celsius: '',
  }))
  const [tried, setTried] = useState(false)
  const { values, faults } = readAll(typed, ['minutes', 'celsius'], unitsOf(specs))
  return (
    <details open={first}>
      <summary className="min-h-11 cursor-pointer font-semibold">Read by hand</summary>
      <p className="mb-1 text-sm opacity-80">{children}</p>
      <form
        noValidate
        className="max-w-xl"
        onSubmit={(event) => {
          event.preventDefault()
          if (!open) return
          setTried(true)
          if (values)
            void onReading({ minutes: values.minutes, celsius: values.celsius }).then(
              (kept) => kept && forget(),
            )
        }}
      >
        <FigureFields
          specs={specs}
          typed={typed}
          faults={tried ? faults : {}}
          onTyped={keep}
          wanted={tried}
        />
        {tried && wrong && <Message tone="error">{wrong}</Message>}
        <button type="submit" className="act" disabled={!open}>
          Record the reading
        </button>
      </form>
    </details>
  )
}
