export {
  type CustomMadeStatement,
  customMadeStatement,
  type Maker,
  type StatedMaterial,
} from './custom-made-statement.ts'
