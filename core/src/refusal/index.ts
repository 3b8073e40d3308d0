export { DomainError, requirePositive, requireWithin } from './domain-error.ts'
