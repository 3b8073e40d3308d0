import {
  type AlloyPiece,
  alloyCards,
  alloyGrams,
  meltedOnce,
  newMetal,
  readingsMeaning,
  USUAL_WAX_GRAMS_PER_CM3,
} from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { quantity } from '../format/format.ts'
import { SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { usePreferences } from '../preferences/preferences.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { lotWords, useShelf } from '../record/shelf.ts'

/** What is melted: from the shelf by the Cast screen, or typed here. */
export function ChargeEntry({
  sheet: { ordered },
  job,
  caseId,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'charge'>) {
  const shelf = useShelf()
  const units = usePreferences((preferences) => preferences.units)
  const allowed = alloyCards.filter(({ id }) => !ordered || ordered.includes(id))
  const usual = job.route.choices.investment === 'gypsum' ? 'gold-type-3' : 'nickel-chromium'
  const [typed, keep, forget] = useDraft(draftKey, () => ({
    alloyId:
      last?.alloyId ??
      [usual, 'gold-type-3'].find((id) => allowed.some((each) => each.id === id)) ??
      allowed[0]!.id,
    grams: '',
    returned: '0',
    lotId: '',
  }))
  const [tried, setTried] = useState(false)
  const weight = readNumber(typed.grams, 'g')
  const returned = readNumber(typed.returned, '%')
  const share =
    returned.value !== undefined && !(returned.value >= 0 && returned.value <= 100)
      ? 'Enter 0 to 100 %.'
      : returned.fault
  const lots = shelf.usable(typed.alloyId)
  const record = async () => {
    setTried(true)
    if (weight.value === undefined || returned.value === undefined || share) return
    const parts = [
      [1 - returned.value / 100, newMetal],
      [returned.value / 100, meltedOnce(newMetal)],
    ] as const
    const pieces = parts.flatMap(([part, history], index): AlloyPiece[] =>
      part > 0
        ? [
            {
              id: `by hand ${index + 1}`,
              grams: weight.value! * part,
              lots: typed.lotId ? [{ lotId: typed.lotId, share: 1 }] : [],
              history,
            },
          ]
        : [],
    )
    if (await onRecord({ kind: 'charge', alloyId: typed.alloyId, pieces })) forget()
  }
  const alloy = alloyCards.find(({ id }) => id === typed.alloyId)!
  const pattern = readingsMeaning(job, 'weightWithSprue').at(-1)?.value
  const wanted =
    pattern && alloyGrams([{ grams: pattern, gramsPerCm3: USUAL_WAX_GRAMS_PER_CM3 }], alloy.gramsPerCm3)
  return (
    <div className="grid gap-3">
      {wanted !== undefined && (
        <p className="text-lg">
          <output className="figures text-5xl font-bold" aria-label="Alloy wanted">
            {quantity(wanted, 'grams', units)}
          </output>{' '}
          of {alloy.name}, the button in it
        </p>
      )}
      {allowed.length < alloyCards.length && (
        <p>As ordered: {allowed.map(({ name }) => name).join(' or ')}.</p>
      )}
      <Link
        className={`${last ? 'act' : 'act-main'} justify-self-start`}
        to={`/cast?case=${caseId}&job=${job.jobId}&view=metal`}
      >
        {last ? 'Look at the pieces again' : 'Take pieces from the shelf'}
      </Link>
      {refusal && <Message tone="error" words={refusal} />}
      <details>
        <summary className="min-h-11 cursor-pointer font-semibold">Typed by hand</summary>
        <form
          noValidate
          className="grid max-w-xl gap-x-3 sm:grid-cols-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (open) void record()
          }}
        >
          <SelectField
            label="Alloy"
            options={[...new Set([...allowed, ...alloyCards])].map(({ id, name }) => [id, name])}
            value={typed.alloyId}
            onChoose={(alloyId) => keep({ ...typed, alloyId, lotId: '' })}
          />
          <SelectField
            label="Lot of the alloy"
            options={[['', 'No lot noted'], ...lots.map((lot) => [lot.lotId, lotWords(lot, shelf)] as const)]}
            value={typed.lotId}
            onChoose={(lotId) => keep({ ...typed, lotId })}
          />
          <NumberField
            label="Alloy to melt"
            unit="g"
            text={typed.grams}
            onText={(grams) => keep({ ...typed, grams })}
            fault={tried ? weight.fault : undefined}
          />
          <NumberField
            label="From returns"
            unit="%"
            text={typed.returned}
            onText={(text) => keep({ ...typed, returned: text })}
            fault={tried ? share : undefined}
          />
          <button type="submit" className="act justify-self-start" disabled={!open}>
            Record the charge
          </button>
        </form>
      </details>
    </div>
  )
}

/** What is left of the charge: back to the shelf, or scrapped. */
export function ButtonEntry({ last, draftKey, refusal, open, onRecord }: SheetEntryProps<'button'>) {
  const [text, keep, forget] = useDraft(draftKey, () => (last ? String(last.grams) : ''))
  const [tried, setTried] = useState(false)
  const { value, fault } = readNumber(text, 'g')
  return (
    <form
      noValidate
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setTried(true)
        if (open && value !== undefined)
          void onRecord({ kind: 'button', grams: value }).then((kept) => kept && forget())
      }}
    >
      <div className="w-48">
        <NumberField
          label="Button"
          unit="g"
          text={text}
          onText={keep}
          fault={refusal ?? (tried ? fault : undefined)}
          hint="0: scrapped"
        />
      </div>
      <button type="submit" className="act mb-7" disabled={!open}>
        Record
      </button>
    </form>
  )
}
