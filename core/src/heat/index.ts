/** A usual workroom, °C (common practice). */
export const USUAL_ROOM_CELSIUS = 23

export { sweep, type Tridiagonal, tridiagonal } from './tridiagonal.ts'
