import type { OpenAPIObject } from '@nestjs/swagger'
import { calculators } from '@yentrik/core'

/** Puts every calculator into the description of the API, from its own declaration. */
export function describeCalculators(document: OpenAPIObject): OpenAPIObject {
  const described = calculators.map(({ name, summary, input, example }) => [
    `/api/calc/${name}`,
    {
      post: {
        operationId: `calc-${name}`,
        tags: ['calc'],
        summary,
        requestBody: {
          required: true,
          content: { 'application/json': { schema: JSON.parse(JSON.stringify(input)), example } },
        },
        responses: {
          200: { description: 'Worked out', content: { 'application/json': { schema: { type: 'object' } } } },
          422: { description: 'Refused: see the problem' },
        },
      },
    },
  ])
  return { ...document, paths: { ...document.paths, ...Object.fromEntries(described) } }
}
