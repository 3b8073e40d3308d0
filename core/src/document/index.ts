export {
  type CustomMadeStatement,
  customMadeStatement,
  type DescribedDevice,
  isDevice,
  type Maker,
} from './custom-made-statement.ts'
export { type Delivered, delivered } from './delivered.ts'
