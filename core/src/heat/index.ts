export { sweep, type Tridiagonal, tridiagonal } from './tridiagonal.ts'
