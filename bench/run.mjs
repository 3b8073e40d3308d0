import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { fileURLToPath } from 'node:url'

/** Everything that an issue wants measured, in one run, into docs/benchmarks.md. */
const sections = []
// One after the other: imported side by side they would measure each other.
for (const name of [
  'thousand-cases',
  'changes',
  'ring-heat',
  'cure',
  'cure-drag',
  'mouth',
  'million-triangles',
  'survey',
  'stain',
  'plan',
  'practice',
  'quality',
])
  sections.push((await import(`./${name}.mjs`)).section)
const text = `# Benchmarks

Made by \`npm run bench\` on ${new Date().toISOString().slice(0, 10)}, ${cpus().length} cores (${cpus()[0].model.trim()}), Node ${process.version}.

${sections.join('\n')}`
writeFileSync(fileURLToPath(new URL('../docs/benchmarks.md', import.meta.url)), text)
console.log(text)
process.exit(0)
