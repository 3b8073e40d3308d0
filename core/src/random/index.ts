export { seededRandom } from './seeded-random.ts'
export { textHash } from './text-hash.ts'
