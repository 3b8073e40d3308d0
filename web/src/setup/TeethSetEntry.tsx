import { showTooth, stillToSet } from '@yentrik/core'
import { Check } from 'lucide-react'
import { Message } from '../parts/Message.tsx'
import { useToggles } from '../parts/toggles.ts'
import { usePreferences } from '../preferences/preferences.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'

/** Teeth in the order of setting; each tap is stored at once, in whatever order the hand works. */
export function TeethSetEntry({ sheet, last, refusal, open, onRecord }: SheetEntryProps<'teethSet'>) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const [set, tap] = useToggles(last?.teeth ?? [], (teeth) => onRecord({ kind: 'teethSet', teeth }))
  const next = stillToSet(sheet.order, set)[0]
  return (
    <div className="grid gap-2">
      <p className="text-lg">
        {next === undefined ? (
          'All set.'
        ) : (
          <>
            Next:{' '}
            <b className="figures text-4xl leading-none" data-testid="next-tooth">
              {showTooth(next, notation)}
            </b>
          </>
        )}
      </p>
      <div className="flex flex-wrap gap-2">
        {sheet.order.map((tooth) => {
          const done = set.includes(tooth)
          return (
            <button
              key={tooth}
              type="button"
              disabled={!open}
              aria-pressed={done}
              aria-label={`Tooth ${showTooth(tooth, notation)}`}
              className={`act figures ${done ? 'btn-success' : tooth === next ? 'btn-primary' : ''}`}
              onClick={() => tap(tooth)}
            >
              {showTooth(tooth, notation)}
              {done && <Check className="size-5" aria-hidden />}
            </button>
          )
        })}
      </div>
      {refusal && <Message tone="error" words={refusal} />}
    </div>
  )
}
