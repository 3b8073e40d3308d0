export { instantMillis, inUtc } from './instant.ts'
