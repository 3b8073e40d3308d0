import { calculators, DomainError } from '@yentrik/core'

/** What a calculator came to in its own thread: errors do not cross over as what they are. */
export type Worked =
  | { readonly answer: object }
  | { readonly refusal: Pick<DomainError, 'code' | 'said' | 'advice' | 'field'> }

/** Works a heavy calculator out in a thread of its own. */
export default function work({ name, input }: { readonly name: string; readonly input: object }): Worked {
  const calculator = calculators.find((each) => each.name === name)!
  try {
    return { answer: calculator.answer(input as never) }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    const { code, said, advice, field } = error
    return { refusal: { code, said, advice, field } }
  }
}
