import { declareValuePlugin, PluginKind } from '@stryker-mutator/api/plugin'

/** What descriptions say beside a rule. */
const saidBeside = new Set(['example', 'description', 'summary', 'source'])

/** Words and examples for people are no rule: they are left alone; a code or a name is changed. */
export function leftAlone(path) {
  if (path.isObjectProperty() && saidBeside.has(path.node.key.name)) return 'beside a rule'
  const text = path.isStringLiteral()
    ? path.node.value
    : path.isTemplateLiteral()
      ? path.node.quasis.map((part) => part.value.raw).join('')
      : ''
  return text.trim().includes(' ') ? 'a sentence' : undefined
}

export const strykerPlugins = [
  declareValuePlugin(PluginKind.Ignore, 'leftAlone', { shouldIgnore: leftAlone }),
]
