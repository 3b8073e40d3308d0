import { fireEvent, screen } from '@testing-library/react'
import type { DataOfKind, SheetKind, SheetOfKind } from '@yentrik/core'
import type { ReactNode } from 'react'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { sheetKindsShown } from '../sheet/sheet-kinds.tsx'
import { askingFor, type StepAtHand } from './case.ts'
import { show } from './lab.tsx'

interface Wish<K extends SheetKind> {
  readonly last?: DataOfKind<K>
  readonly sheet?: Partial<SheetOfKind<K>>
  readonly at?: StepAtHand
  readonly open?: boolean
  readonly teeth?: readonly number[]
  readonly enclosures?: readonly string[]
  readonly stores?: boolean
}
/** Shows the entry of a kind of sheet; what it puts on record is in the list. */
export function entry<K extends SheetKind>(
  kind: K,
  wish: Wish<K> = {},
): ReturnType<typeof show> & { readonly recorded: DataOfKind<K>[] } {
  const { last, sheet, at, open = true, teeth = [], enclosures = [], stores = true } = wish
  const wanted = askingFor(kind)
  const { job, step } = at ?? wanted
  const recorded: DataOfKind<K>[] = []
  const Entry = sheetKindsShown[kind].Entry as (props: SheetEntryProps<K>) => ReactNode
  const shown = show(
    <Entry
      sheet={{ ...wanted.sheet, ...sheet } as SheetOfKind<K>}
      last={last}
      caseId="c1"
      job={job}
      step={step}
      teeth={teeth}
      enclosures={enclosures}
      draftKey="draft"
      open={open}
      onRecord={async (data) => {
        recorded.push(data)
        return stores
      }}
    />,
  )
  return { ...shown, recorded }
}
export const button = (name: string | RegExp) => screen.getByRole('button', { name })
export const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
