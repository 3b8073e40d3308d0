import { Injectable, type OnModuleDestroy } from '@nestjs/common'
import { type Calculator, calculators, DomainError } from '@yentrik/core'
import { Piscina } from 'piscina'
import { Refusal } from '../errors/problem.filter.ts'
import { checked } from '../shapes/checked.ts'
import type { Worked } from './calc-worker.ts'

/** Longer than this nobody waits for a figure (choice), ms. */
const LONGEST_MILLIS = 10_000

/** The calculators of the core for other programs. Heavy ones have threads of their own: the lab goes on meanwhile. */
@Injectable()
export class CalcService implements OnModuleDestroy {
  private threads?: Piscina<object, Worked>

  /**
   * @param gone when the asker does not wait any more
   * @throws {Refusal} `no-such-calculator`, `took-too-long`, `entry-not-valid`, `no-figure`; {DomainError} of the calculator
   */
  async work(name: string, sent: unknown, gone: AbortSignal): Promise<object> {
    const calculator = calculators.find((each) => each.name === name)
    if (!calculator)
      throw new Refusal(
        404,
        'no-such-calculator',
        `There is no calculator ${name}.`,
        `Choose one of: ${calculators.map((each) => each.name).join(', ')}.`,
      )
    const input = checked(calculator.input, sent) as object
    const answer = calculator.heavy
      ? await this.apart(calculator, input, gone)
      : calculator.answer(input as never)
    if (!allFinite(answer)) throw noFigure()
    return answer
  }

  private async apart({ name }: Calculator, input: object, gone: AbortSignal): Promise<object> {
    // The built worker, also where the tests run the source.
    const filename = new URL('../../dist/calc/calc-worker.js', import.meta.url).href
    this.threads ??= new Piscina<object, Worked>({
      filename,
      maxThreads: 2,
      maxQueue: 100,
      idleTimeout: 60_000,
    })
    const late = AbortSignal.timeout(LONGEST_MILLIS)
    const worked = await this.threads
      .run({ name, input }, { signal: AbortSignal.any([gone, late]) })
      .catch((error: unknown) => {
        if (!late.aborted) throw error
        throw new Refusal(
          422,
          'took-too-long',
          `It was not worked out within ${LONGEST_MILLIS / 1000} s.`,
          'Ask for a shorter program.',
        )
      })
    if ('answer' in worked) return worked.answer
    const { code, said, advice, field } = worked.refusal
    throw new DomainError(code, said, advice, field)
  }

  async onModuleDestroy(): Promise<void> {
    await this.threads?.destroy()
  }
}

/** Whether every number in an answer is one: what is far from anything real can run out of all bounds on the way. */
const allFinite = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value !== 'object' || value === null || Object.values(value).every(allFinite)

const noFigure = () =>
  new Refusal(
    422,
    'no-figure',
    'These entries lead to no figure.',
    'Look at each of them: one is far from anything real.',
  )
