export { DomainError, requirePositive } from './domain-error.ts'
