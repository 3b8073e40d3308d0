import { DomainError, fromCalipers, qty } from '@yentrik/core'
import { refusalWords } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Said } from '../preferences/words.tsx'

/** A point from two caliper distances to two midline marks: where it lies. */
export function CaliperHelp() {
  const [back, setBack] = useDraft<string>('caliper back', () => '')
  const [front, setFront] = useDraft<string>('caliper front', () => '')
  const [between, setBetween] = useDraft<string>('caliper between', () => '20')
  const numbers = [back, front, between].map((text) => readNumber(text, 'mm').value)
  const answer = () => {
    const [a, b, c] = numbers
    if (a === undefined || b === undefined || c === undefined) return null
    try {
      const { forward, fromMidline } = fromCalipers(a, b, c)
      return (
        <p className="figures">
          <b>
            <Said words={[qty.mm(fromMidline, 1)]} />
          </b>{' '}
          from the midline,{' '}
          <b>
            <Said words={[qty.mm(forward, 1)]} />
          </b>{' '}
          in front of the posterior mark
        </p>
      )
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      return (
        <Message tone="error">
          <Said words={refusalWords(error)} />
        </Message>
      )
    }
  }
  const fault = (text: string) => (text === '' ? undefined : readNumber(text, 'mm').fault)
  return (
    <details className="border-base-300 mt-3 border-t pt-2">
      <summary className="min-h-11 cursor-pointer font-semibold">A point by two caliper distances</summary>
      <div className="grid gap-1">
        <NumberField
          label="To the posterior midline mark"
          unit="mm"
          text={back}
          onText={setBack}
          fault={fault(back)}
        />
        <NumberField
          label="To the anterior midline mark"
          unit="mm"
          text={front}
          onText={setFront}
          fault={fault(front)}
        />
        <NumberField
          label="Between the two marks"
          unit="mm"
          text={between}
          onText={setBetween}
          fault={fault(between)}
        />
        {answer()}
      </div>
    </details>
  )
}
