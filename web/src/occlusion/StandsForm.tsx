import { Pills } from '../parts/Choices.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { type RemountDraft, stopsFault } from './remount-draft.ts'

/** The pin, as it is read after each round. */
export function PinField({
  draft,
  onDraft,
}: {
  readonly draft: RemountDraft
  readonly onDraft: (draft: RemountDraft) => void
}) {
  return (
    <NumberField
      label="Pin off its table"
      unit="mm"
      text={draft.pin}
      onText={(pin) => onDraft({ ...draft, pin })}
      fault={readNumber(draft.pin, 'mm', { wanted: false }).fault}
      hint="after each round"
    />
  )
}

/** How it stands: seat, stops, and what changes the rules. */
export function StandsForm({
  draft,
  onDraft,
}: {
  readonly draft: RemountDraft
  readonly onDraft: (draft: RemountDraft) => void
}) {
  const set = (change: Partial<RemountDraft>) => onDraft({ ...draft, ...change })
  const tick = (
    key: 'seated' | 'flash' | 'baseTouches' | 'workingHeldApart' | 'pinOnTable' | 'crossbite' | 'tipConsent',
    words: string,
  ) => (
    <label className="flex min-h-11 cursor-pointer items-center gap-3">
      <input
        type="checkbox"
        className="checkbox"
        checked={draft[key]}
        onChange={(event) => set({ [key]: event.target.checked })}
      />
      {words}
    </label>
  )
  return (
    <section className="card-flat grid content-start gap-x-4 gap-y-1 p-4" aria-label="How it stands">
      <div className="grid grid-cols-2 gap-x-3">
        {(['Right', 'Left'] as const).map((side) => (
          <NumberField
            key={side}
            label={`Stops ${side.toLowerCase()}`}
            unit=""
            text={draft[`stops${side}`]}
            onText={(text) => set({ [`stops${side}`]: text })}
            fault={stopsFault(draft[`stops${side}`])}
            hint="hold foil"
          />
        ))}
      </div>
      <div className="grid gap-x-4 sm:grid-cols-2">
        {tick('seated', 'Fully home, no rock')}
        {tick('flash', 'Flash on the teeth')}
        {tick('baseTouches', 'Base touches at the heels')}
        {tick('pinOnTable', 'Pin on its table in this movement')}
        {tick('workingHeldApart', 'Balancing side holds it apart')}
      </div>
      <details>
        <summary className="min-h-11 cursor-pointer pt-2 font-semibold">Fixing, scheme, school</summary>
        <div className="grid gap-2">
          <Pills
            label="Fixed with"
            options={[
              ['glue', 'Glue'],
              ['compound', 'Compound'],
              ['tape', 'Tape'],
            ]}
            value={draft.fixing}
            onChoose={(fixing) => set({ fixing })}
          />
          <Pills
            label="Scheme of the teeth"
            options={[
              ['balanced', 'Balanced'],
              ['lingualised', 'Lingualised'],
              ['flat', 'Flat'],
            ]}
            value={draft.scheme}
            onChoose={(scheme) => set({ scheme })}
          />
          {tick('crossbite', 'Crossbite, as prescribed')}
          {tick('tipConsent', 'A tip high in every bite may go: the lead agrees')}
        </div>
      </details>
    </section>
  )
}
