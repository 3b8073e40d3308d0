export {
  type CustomMadeStatement,
  customMadeStatement,
  type StatedMaterial,
} from './custom-made-statement.ts'
