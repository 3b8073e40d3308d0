export { DomainError, requireMeasure, requirePositive, requireWithin } from './domain-error.ts'
