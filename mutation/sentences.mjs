import { declareValuePlugin, PluginKind } from '@stryker-mutator/api/plugin'

/** Words for people are no rule: a sentence is left alone, a code or a name is changed. */
export function isSentence(path) {
  const text = path.isStringLiteral()
    ? path.node.value
    : path.isTemplateLiteral()
      ? path.node.quasis.map((part) => part.value.raw).join('')
      : ''
  return text.trim().includes(' ') ? 'a sentence' : undefined
}

export const strykerPlugins = [
  declareValuePlugin(PluginKind.Ignore, 'sentences', { shouldIgnore: isSentence }),
]
