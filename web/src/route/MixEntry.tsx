import {
  type Amount,
  type AmountKind,
  hitRatio,
  type MixFigure,
  qty,
  type RecordedMix,
  ratioVerdict,
  type Saying,
  saying,
  wantedFigures,
} from '@yentrik/core'
import { useEntryForm } from '../form/entry-form.ts'
import { FormNumber, FormSelect, FormText } from '../form/fields.tsx'
import { capital, clockTime, ratio } from '../format/format.ts'
import { mixConditions } from '../mixing/mix-conditions.ts'
import { useUsedMix } from '../mixing/used-mix.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { useWords } from '../preferences/words.tsx'
import { lotWords } from '../record/shelf.ts'

/** A kind of amount on the screen: what its button says, and the two figures that are entered, where there are any. */
interface AmountKindShown {
  readonly does: string
  readonly figures?: {
    readonly powder: { readonly figure: MixFigure; readonly unit: string }
    readonly liquid: { readonly figure: MixFigure; readonly unit: string }
  }
}
export const amountKindsShown: { readonly [K in AmountKind]: AmountKindShown } = {
  mix: {
    does: 'Weigh and record',
    figures: {
      powder: { figure: 'powderGrams', unit: 'g' },
      liquid: { figure: 'liquidMillilitres', unit: 'mL' },
    },
  },
  parts: {
    does: 'Weigh and record',
    figures: {
      powder: { figure: 'powderParts', unit: '' },
      liquid: { figure: 'liquidParts', unit: '' },
    },
  },
  use: { does: 'Record' },
}

interface MixEntryProps {
  readonly amount: Amount
  /** Under which what is typed is kept. */
  readonly draftKey: string
  readonly refusal?: Saying
  /** The case, whose mix may have a clock that runs. */
  readonly caseId: string
  readonly onRecord: (mix: RecordedMix) => Promise<boolean>
}

/** What was really used, with its lot: into the record. What is wanted stands in the fields already. */
export function MixEntry({ amount, draftKey, refusal, caseId, onRecord }: MixEntryProps) {
  const say = useWords()
  const { shelf, packs, clock, cardOf, room, ready, mixOf } = useUsedMix(amount, caseId)
  const { figures } = amountKindsShown[amount.kind]
  // A draft of a former version may hold no packs.
  const lotOf = (chosen: string | undefined, pack = 0) =>
    chosen === undefined || chosen === 'first' ? (packs[pack]?.lots[0]?.lotId ?? '') : chosen
  /** Whether the ratio wants a decision, by card, pack and step. */
  const decisionOn = (powder: string, liquid: string) => {
    const { pack } = mixConditions(
      amount.materialId,
      cardOf(lotOf(form.values.lots?.[0])),
      undefined,
      undefined,
    )
    return ratioVerdict(amount, {
      materialId: amount.materialId,
      powderGrams: readNumber(powder, 'g').value,
      liquidMillilitres: readNumber(liquid, 'mL').value,
      ...(pack ? { pack } : {}),
    })
  }
  const wanted = wantedFigures(amount, cardOf(lotOf('first')))
  const start = (figure: MixFigure | undefined) => String((figure && wanted[figure]) ?? '')
  const form = useEntryForm({
    draftKey,
    start: () => ({
      powder: start(figures?.powder.figure),
      liquid: start(figures?.liquid.figure),
      lots: packs.map(() => 'first'),
      ratioReason: '',
    }),
    check: ({ powder, liquid, ratioReason }) => ({
      ratioReason:
        decisionOn(powder, liquid) === 'outside' && ratioReason.trim() === ''
          ? 'Correct the figures, mix again, or say why it is used all the same.'
          : undefined,
      powder: figures && readNumber(powder, figures.powder.unit).fault,
      liquid: figures && readNumber(liquid, figures.liquid.unit).fault,
    }),
    store: ({ powder, liquid, lots, ratioReason }) => {
      // Its fault stands at its field.
      if (!ready) return Promise.resolve(false)
      return onRecord(
        mixOf(
          packs.map((_, pack) => lotOf(lots?.[pack], pack)),
          {
            ...(figures
              ? {
                  [figures.powder.figure]: readNumber(powder, figures.powder.unit).value,
                  [figures.liquid.figure]: readNumber(liquid, figures.liquid.unit).value,
                }
              : {}),
            ...(decisionOn(powder, liquid) === 'outside' ? { ratioReason: ratioReason.trim() } : {}),
          },
        ),
      )
    },
  })
  const { values } = form
  const card = cardOf(lotOf(values.lots?.[0]))
  const powderGrams = readNumber(values.powder, 'g').value
  const liquidMillilitres = readNumber(values.liquid, 'mL').value
  const hit =
    amount.kind === 'mix' && powderGrams && liquidMillilitres && powderGrams > 0 && liquidMillilitres > 0
      ? hitRatio(card, { powderGrams, liquidMillilitres }, amount.millilitresPerGram)
      : undefined
  return (
    <form noValidate className="grid gap-3" onSubmit={form.submit}>
      {figures && (
        <div className="grid grid-cols-2 gap-3">
          <FormNumber
            form={form}
            name="powder"
            label={capital(card.powderName)}
            unit={figures.powder.unit}
            autoFocus
          />
          <FormNumber form={form} name="liquid" label={capital(card.liquidName)} unit={figures.liquid.unit} />
        </div>
      )}
      {hit && (
        <div className="text-sm">
          <p className="text-base">
            Ratio <b className="figures text-xl">{ratio(hit.millilitresPerGram)}</b>{' '}
            {hit.verdict === 'hit' ? 'as wanted' : hit.verdict}
          </p>
          {hit.effects.map(say).map((effect) => (
            <Message key={effect} tone="warning">
              {effect}
            </Message>
          ))}
        </div>
      )}
      {decisionOn(values.powder, values.liquid) === 'outside' && (
        <FormText
          form={form}
          name="ratioReason"
          label="Why it is used all the same"
          hint="Outside the range of card and pack: else correct the figures, or mix again."
        />
      )}
      {room && (
        <NumberField
          label="Room"
          unit="°C"
          {...room}
          hint={say(saying`Dough ripens by it: twice as slow for ${qty.celsiusApart(10)} colder.`)}
        />
      )}
      {clock && (
        <p>
          Its clock runs from <b className="figures">{clockTime(Date.parse(clock.metAt))}</b>.
        </p>
      )}
      {packs.map(
        ({ name, lots }, pack) =>
          lots.length > 0 && (
            <FormSelect
              key={name}
              form={form}
              name={`lots.${pack}`}
              label={name ? `Lot of ${name.toLowerCase()}` : 'Lot'}
              shown={lotOf(values.lots?.[pack], pack)}
              options={[
                ...lots.map((lot) => [lot.lotId, lotWords(lot, shelf)] as const),
                ['', 'No lot noted'],
              ]}
            />
          ),
      )}
      {refusal && <Message tone="error" words={refusal} />}
      <button type="submit" className="act-main" disabled={form.busy}>
        Into the record
      </button>
    </form>
  )
}
