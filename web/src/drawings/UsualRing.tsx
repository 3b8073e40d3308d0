import { RingDrawing } from './RingDrawing.tsx'

/** A ring of ordinary size, for the picture only. */
const usual = {
  binder: 'phosphate',
  ringRadiusMillimetres: 24,
  ringHeightMillimetres: 50,
  formerMillimetres: 20,
  sprueLengthMillimetres: 16,
  patternHeightMillimetres: 10.5,
  patternReachMillimetres: 9,
} as const
/** The casting ring in section, as it usually stands. */
export function UsualRing() {
  return <RingDrawing at={usual} wireMillimetres={2.6} lines={[]} figures={false} />
}
