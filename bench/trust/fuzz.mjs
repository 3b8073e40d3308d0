import { seededRandom } from '@yentrik/core'
import { ask, intake, LabServer } from './lab-server.mjs'

const deep = (depth) => (depth === 0 ? [] : [deep(depth - 1)])
const nasty = [
  null,
  '',
  ' ',
  'x'.repeat(20_000),
  '-0',
  'Infinity g',
  '\u0000',
  '<script>1</script>',
  "'; drop table case_events; --",
  '1000-01-01T00:00:00Z',
  '9999-12-31T23:59:59Z',
  '2026-02-30',
  '../../etc/passwd',
  0,
  -0,
  -1,
  0.1,
  1e-320,
  1e308,
  -1e308,
  2 ** 53,
  true,
  false,
  [],
  {},
  [null],
  deep(200),
  Array.from({ length: 5000 }, (_, n) => n),
  { __proto__: null, constructor: 1, toString: 2 },
  Object.fromEntries(Array.from({ length: 2000 }, (_, n) => [`k${n}`, n])),
]

/** Every place in a value, as a path. */
function places(value, path = []) {
  if (value === null || typeof value !== 'object') return [path]
  return [path, ...Object.entries(value).flatMap(([key, each]) => places(each, [...path, key]))]
}

/** What is repeated three hundred times should not be large itself. */
const SMALL = 2000

/** The value with one to three places of it made wrong. */
function mutated(value, random) {
  const one = (list) => list[Math.floor(random() * list.length)]
  const result = { root: structuredClone(value) }
  for (let n = 1 + Math.floor(3 * random()); n > 0; n--) {
    const path = ['root', ...one(places(result.root))]
    const parent = path.slice(0, -1).reduce((at, key) => at?.[key], result)
    const key = path.at(-1)
    if (parent === null || typeof parent !== 'object') continue
    const how = random()
    if (how < 0.6) parent[key] = structuredClone(one(nasty))
    else if (how < 0.75 && path.length > 1) delete parent[key]
    else if (how < 0.85 && typeof parent[key] === 'number') parent[key] *= one([-1, 1e3, 1e6, 1e-6])
    else if (how < 0.92 && Array.isArray(parent[key]) && JSON.stringify(parent[key]).length < SMALL)
      parent[key] = Array.from({ length: 300 }, () => structuredClone(parent[key][0] ?? one(nasty)))
    else if (typeof parent[key] === 'object' && parent[key])
      parent[key].unheardOf = structuredClone(one(nasty))
  }
  return result.root
}

/** A value as its schema wants it: its example, or the simplest that it takes. */
function example(schema) {
  if (!schema) return undefined
  if (schema.example !== undefined) return schema.example
  const [alternative] = schema.oneOf ?? schema.anyOf ?? []
  if (alternative) return example(alternative)
  if (schema.enum) return schema.enum[0]
  if (schema.type === 'object')
    return Object.fromEntries(
      Object.entries(schema.properties ?? {}).map(([key, each]) => [key, example(each)]),
    )
  if (schema.type === 'array')
    return Array.from({ length: Math.max(1, schema.minItems ?? 0) }, () => example(schema.items))
  if (schema.type === 'number' || schema.type === 'integer') return schema.minimum ?? 0
  if (schema.type === 'boolean') return true
  return 'words'
}

const LONGEST_MILLIS = 1000

/**
 * Every operation of the OpenAPI document, asked with bodies, queries and addresses made wrong: nothing may end in a fault of the
 * server, hang, or be taken though no lab could mean it.
 */
export async function fuzz({ requests = 300, seed = 1 } = {}) {
  const random = seededRandom(seed)
  const lab = new LabServer()
  await lab.start()
  const document = (await ask(lab.api, '/openapi.json')).body
  const { caseId } = (await ask(lab.api, '/cases', { body: intake('Z-1') })).body
  const operations = Object.entries(document.paths)
    .flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, operation]) => ({
        path: path.replace(/^\/api/, ''),
        method,
        operation,
      })),
    )
    // Streams do not end; the clock is moved in demos alone and would move all the others.
    .filter(({ path }) => !path.endsWith('/live') && path !== '/clock')
  const counts = {}
  const [faults, slow, absurd] = [[], [], []]
  let asked = 0
  for (const { path, method, operation } of operations) {
    const wanted = operation.requestBody?.content?.['application/json']
    const body = wanted && (wanted.example ?? example(wanted.schema))
    const queries = (operation.parameters ?? []).filter((each) => each.in === 'query')
    for (let n = 0; n < requests; n++) {
      const address = path.replace(/\{(\w+)\}/g, (_, name) =>
        name === 'caseId' && random() < 0.8
          ? caseId
          : encodeURIComponent(
              String(random() < 0.5 ? 'none' : nasty[Math.floor(random() * 17)]).slice(0, 400),
            ),
      )
      const search = new URLSearchParams(
        queries.map(({ name }) => [name, String(nasty[Math.floor(random() * 22)]).slice(0, 400)]),
      )
      const sent = body === undefined ? undefined : JSON.stringify(mutated(body, random))
      const {
        status,
        millis,
        body: answer,
      } = await ask(lab.api, address + (queries.length > 0 ? `?${search}` : ''), {
        method: method.toUpperCase(),
        body: method === 'get' || method === 'delete' ? undefined : (sent ?? '{}'),
      })
      asked++
      counts[Math.floor(status / 100)] = (counts[Math.floor(status / 100)] ?? 0) + 1
      const what = `${method} ${address} ${(sent ?? '').slice(0, 300)} -> ${status} ${JSON.stringify(answer).slice(0, 200)}`
      if (status >= 500 || status === 0) faults.push(what)
      if (millis > LONGEST_MILLIS) slow.push(`${millis.toFixed(0)} ms: ${what}`)
      if (status < 300 && isAbsurd(path, sent, answer)) absurd.push(what)
    }
  }
  await lab.remove()
  for (const [name, list] of Object.entries({ faults, slow, absurd }))
    if (list.length > 0) console.error(`${name}:\n${list.slice(0, 12).join('\n')}`)
  return {
    name: 'requests made wrong, from the OpenAPI document',
    figures: `${operations.length} operations, ${asked} requests: ${Object.entries(counts)
      .map(([hundred, count]) => `${count} of ${hundred}xx`)
      .join(', ')}`,
    found: `${faults.length} faults of the server, ${slow.length} over ${LONGEST_MILLIS / 1000} s, ${absurd.length} absurd and taken`,
    good: faults.length + slow.length + absurd.length === 0,
  }
}

/** What no lab means: numbers and dates beyond anything, texts without end; from a calculator also an answer that is none. */
function isAbsurd(path, sent, answer) {
  const said = JSON.stringify(answer)
  if (path.startsWith('/calc/') && /null|NaN|Infinity/.test(said)) return true
  return NO_LAB_MEANS.test(sent ?? '') && NO_LAB_MEANS.test(said)
}

const NO_LAB_MEANS = /1e\+?308|x{9000}|"\w+(?:At|On)":"(?:1000-01-01|9999-12-31)/
