export { type CustomMadeStatement, customMadeStatement, type Maker } from './custom-made-statement.ts'
