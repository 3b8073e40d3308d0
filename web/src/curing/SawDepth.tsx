import { joined, LEFT_BY_SAW_MILLIMETRES, qty, sawDepth, saying } from '@yentrik/core'
import { useState } from 'react'
import { attempt } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Said, useWords } from '../preferences/words.tsx'

const places = ['canines', 'ends'] as const

/** How deep each cut may go at most, by the wall of stone as it is measured. */
export function SawDepth({
  caseKey,
  onNote,
}: {
  readonly caseKey: string
  /** Puts it on record, where the step runs. */
  readonly onNote?: (text: string) => Promise<boolean>
}) {
  const [walls, keep] = useDraft(`saw ${caseKey}`, () => ({ canines: '', ends: '' }))
  const [noted, setNoted] = useState('')
  const say = useWords()
  const words = places.flatMap((place) => {
    const { value } = readNumber(walls[place], 'mm')
    const { answer } = value === undefined ? {} : attempt(() => sawDepth(value))
    return answer === undefined
      ? []
      : [saying`wall at the ${place} ${qty.mm(value ?? 0)}, saw at most ${qty.mm(answer)}`]
  })
  const note = say(saying`Sawing: ${joined(words, '; ')}.`)
  return (
    <section className="border-base-300 mt-4 grid gap-2 border-t pt-3" aria-label="How deep to saw">
      <div className="grid grid-cols-2 items-start gap-4">
        {places.map((place) => {
          const { value, fault } = readNumber(walls[place], 'mm')
          const { answer, refusal } = value === undefined ? {} : attempt(() => sawDepth(value))
          return (
            <div key={place}>
              <NumberField
                label={`Wall at the ${place}`}
                unit="mm"
                text={walls[place]}
                onText={(text) => keep({ ...walls, [place]: text })}
                fault={walls[place].trim() === '' ? undefined : (fault ?? refusal)}
              />
              {answer === 0 && <p className="font-semibold">Too thin to saw: pry or tap it off.</p>}
              {answer !== undefined && answer > 0 && (
                <p>
                  Saw at most{' '}
                  <output className="figures text-4xl font-bold" aria-label={`Saw at the ${place}`}>
                    <Said words={[qty.mm(answer, 1)]} />
                  </output>
                </p>
              )}
            </div>
          )
        })}
      </div>
      <p className="text-sm opacity-80">
        <Said
          words={saying`From outside to the denture, at the thinnest. ${qty.mm(LEFT_BY_SAW_MILLIMETRES)} stay to be broken (our choice).`}
        />
      </p>
      {onNote && words.length > 0 && (
        <button
          type="button"
          className="small-act justify-self-start"
          disabled={noted === note}
          onClick={() => void onNote(note).then((kept) => kept && setNoted(note))}
        >
          {noted === note ? 'On record' : 'Put it on record'}
        </button>
      )}
    </section>
  )
}
