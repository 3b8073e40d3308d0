import { type ValidationError, ValidationPipe } from '@nestjs/common'
import { Refusal } from './problem.filter.ts'

/** Refuses unknown fields and names the path of every bad entry, the first of them as `field`. */
export function validation(): ValidationPipe {
  return new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    transform: true,
    exceptionFactory: (errors) => {
      const fields = errors.flatMap((error) => entriesAtFault(error, ''))
      const first = fields[0]
      return new Refusal(
        422,
        'entry-not-valid',
        first ? `${first.field}: ${first.reason}.` : 'An entry is not valid.',
        'Correct the entries named and send again.',
        { field: first?.field, fields },
      )
    },
  })
}

function entriesAtFault(error: ValidationError, path: string): { field: string; reason: string }[] {
  const field = path ? `${path}.${error.property}` : error.property
  const own = Object.values(error.constraints ?? {}).map((reason) => ({ field, reason }))
  return [...own, ...(error.children ?? []).flatMap((child) => entriesAtFault(child, field))]
}
