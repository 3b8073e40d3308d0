import { writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { fileURLToPath } from 'node:url'
import { section as curing } from './cure.mjs'
import { section as cureDrag } from './cure-drag.mjs'
import { section as millionTriangles } from './million-triangles.mjs'
import { section as ringHeat } from './ring-heat.mjs'
import { section as thousandCases } from './thousand-cases.mjs'

/** Everything that an issue wants measured, in one run, into docs/benchmarks.md. */
const text = `# Benchmarks

Made by \`npm run bench\` on ${new Date().toISOString().slice(0, 10)}, ${cpus().length} cores (${cpus()[0].model.trim()}), Node ${process.version}.

${thousandCases}
${ringHeat}
${curing}
${cureDrag}
${millionTriangles}`
writeFileSync(fileURLToPath(new URL('../docs/benchmarks.md', import.meta.url)), text)
console.log(text)
process.exit(0)
