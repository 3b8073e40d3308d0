import { readFileSync, writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { fileURLToPath } from 'node:url'
import { clock } from './clock.mjs'
import { diskFull } from './disk-full.mjs'
import { fuzz } from './fuzz.mjs'
import { hostileImport } from './hostile-import.mjs'
import { kill } from './kill.mjs'
import { restoreInUse } from './restore-in-use.mjs'
import { roles } from './roles.mjs'
import { signIn } from './sign-in.mjs'

/**
 * Everything that could break the trust in a lab's record, tried against the built server, into docs/trust.md. Some 25 minutes;
 * `npm run trust -- fuzz` tries that alone, and writes nothing.
 */
const chosen = process.argv.slice(2)
const results = []
for (const attempt of [kill, diskFull, restoreInUse, clock, hostileImport, signIn, roles, fuzz]) {
  if (chosen.length > 0 && !chosen.includes(attempt.name)) continue
  const result = await attempt()
  console.log(`${result.good ? 'holds' : 'FAILS'}: ${result.name}: ${result.figures}; ${result.found}`)
  results.push(result)
}
const allHold = results.every(({ good }) => good)
if (chosen.length > 0) process.exit(allHold ? 0 : 1)
const { section } = await import('./many-benches.mjs')
console.log(section)

const file = fileURLToPath(new URL('../../docs/trust.md', import.meta.url))
const [before, , after] = readFileSync(file, 'utf8').split(/<!-- (?:figures|end of figures) -->\n/)
const rows = results.map(
  ({ name, figures, found, good }) => `| ${name} | ${figures} | ${found} | ${good ? 'holds' : '**fails**'} |`,
)
writeFileSync(
  file,
  `${before}<!-- figures -->
By \`npm run trust\` on ${new Date().toISOString().slice(0, 10)}, ${cpus().length} cores, Node ${process.version}.

| what was tried | how much | what was found | |
|---|---|---|---|
${rows.join('\n')}

${section}
<!-- end of figures -->
${after}`,
)
process.exit(allHold ? 0 : 1)
