export { mayDo, type Right, type Role, rightRefused, rights, roles } from './rights.ts'
