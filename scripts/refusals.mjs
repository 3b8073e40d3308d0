import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'
import { writeGenerated } from './write-generated.mjs'

/**
 * The catalogue of all refusals, read out of the code that refuses: each code with what is wrong and what to do. What a
 * sentence fills in stands as three dots. `node scripts/refusals.mjs` writes it; the build does so too.
 */
const root = fileURLToPath(new URL('..', import.meta.url))
const target = join(root, 'server/src/errors/refusals.generated.ts')
const DOTS = '…'

/** The words of an expression, as far as they stand in the code; of a choice between two, both. */
function wordsOf(node) {
  if (!node) return ['']
  if (ts.isStringLiteralLike(node)) return [node.text]
  if (ts.isTaggedTemplateExpression(node)) return wordsOf(node.template)
  if (ts.isTemplateExpression(node))
    return [[node.head.text, ...node.templateSpans.map(({ literal }) => DOTS + literal.text)].join('')]
  if (ts.isConditionalExpression(node)) return [...wordsOf(node.whenTrue), ...wordsOf(node.whenFalse)]
  if (ts.isParenthesizedExpression(node)) return wordsOf(node.expression)
  return [DOTS]
}

/** Where a refusal is made: `new DomainError(code, said, advice)`, `new Refusal(status, code, said, advice)`, `refuse(code, said, advice)`. */
function refusalOf(node) {
  if (!ts.isNewExpression(node) && !ts.isCallExpression(node)) return undefined
  const name = node.expression.getText()
  const at = { DomainError: 0, refuse: 0, Refusal: 1 }[name]
  const [code, said, advice] = at === undefined ? [] : (node.arguments ?? []).slice(at)
  if (!code || !ts.isStringLiteralLike(code) || !said || !advice) return undefined
  const status = at === 1 ? Number(node.arguments[0].getText()) : 422
  return { code: code.text, status, means: wordsOf(said), remedies: wordsOf(advice) }
}

/** A code that stands in a table: with what it means, or `{ ..., what: 'The height', code: 'ring' }` for a helper that refuses. */
function measureOf(node) {
  if (!ts.isObjectLiteralExpression(node)) return undefined
  const part = (name) =>
    node.properties.find((each) => ts.isPropertyAssignment(each) && each.name.getText() === name)?.initializer
  const [code, what, means, remedy] = [part('code'), part('what'), part('means'), part('remedy')]
  if (!code || !ts.isStringLiteralLike(code)) return undefined
  if (remedy && means)
    return {
      code: code.text,
      status: Number(node.parent.name?.getText()),
      means: wordsOf(means),
      remedies: wordsOf(remedy),
    }
  if (!what) return undefined
  const said = wordsOf(what).map((each) => `${each}: ${DOTS} cannot be right.`)
  return {
    code: code.text,
    status: 422,
    means: said,
    remedies: [`Measure again and enter a number from ${DOTS} to ${DOTS}.`],
  }
}

function sources(folder) {
  return readdirSync(join(root, folder), { recursive: true })
    .map((name) => join(root, folder, name))
    .filter((path) => path.endsWith('.ts') && !/\.test\.ts$|\/testing\/|\/demo\/|\.generated\.ts$/.test(path))
    .sort()
}

/** What changes from case to case is only said with the refusal itself. */
const orItself = (words) => (words.size > 0 ? [...words] : ['The refusal itself says it.'])

/** Every refusal by its code. */
export function refusals() {
  const found = new Map()
  const add = ({ code, status, means, remedies }) => {
    const one = found.get(code) ?? { status, means: new Set(), remedies: new Set() }
    // What is only passed on says nothing of itself.
    for (const each of means) if (/\w/.test(each)) one.means.add(each)
    for (const each of remedies) if (/\w/.test(each)) one.remedies.add(each)
    found.set(code, one)
  }
  for (const path of [...sources('core/src'), ...sources('server/src')]) {
    const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true)
    const visit = (node) => {
      const refusal = refusalOf(node) ?? measureOf(node)
      if (refusal) add(refusal)
      ts.forEachChild(node, visit)
    }
    visit(file)
  }
  return [...found]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([code, { status, means, remedies }]) => ({
      code,
      status,
      means: orItself(means),
      remedies: orItself(remedies),
    }))
}

/** The file that the server gives the catalogue from. */
export function refusalsFile() {
  const lines = refusals().map((each) => `  ${JSON.stringify(each)},`)
  return [
    "import type { ExplainedRefusal } from '@yentrik/contract'",
    '',
    '/** Made by scripts/refusals.mjs out of the code that refuses; not to be changed by hand. */',
    'export const explainedRefusals: readonly ExplainedRefusal[] = [',
    ...lines,
    ']',
    '',
  ].join('\n')
}

if (process.argv[1] === fileURLToPath(import.meta.url)) writeGenerated(target, refusalsFile())
