import { materials } from '../materials/index.ts'
import type { CautionId } from './cautions.ts'

/** What is in the hand of a step or near it, and what each of it can do (common practice). */
const hazards = {
  /** What has been in a mouth, or comes back from one. */
  mouth: ['infection'],
  disinfectant: ['disinfectant', 'chlorine'],
  /** Gypsum or investment as powder, sawn, ground or blasted. */
  gypsum: ['silicaDust'],
  monomer: ['monomer'],
  /** A bur, a stone or a disc in resin. */
  bur: ['resinDust'],
  metalWheel: ['metalDust'],
  lathe: ['lathe'],
  /** Wet abrasive in a pan, on the lathe. */
  pumice: ['lathe', 'pumicePan'],
  flame: ['flame'],
  moltenWax: ['hotWax'],
  torch: ['moltenMetal', 'flame'],
  hotRing: ['hotRing'],
  warmOven: ['warmOven'],
  boilingWater: ['boilingWater'],
  steam: ['boilingWater'],
  press: ['press'],
  pressurePot: ['pressurePot'],
  lightBox: ['uvLight'],
  hotResin: ['hotResin'],
  hotFlask: ['hotFlask'],
  /** Milled ceramic, ground; wet where it may be. */
  ceramic: ['ceramicDust'],
  /** Chalk: dry only, it flies. */
  greenZirconia: ['greenDust'],
  kiln: ['hotKiln'],
  acid: ['acid', 'chlorine'],
  ammonia: ['ammonia'],
  adhesive: ['adhesive'],
  blade: ['blades'],
  chisel: ['chisel'],
  trimmer: ['trimmerWheel'],
  /** Walnut shell, beads: anything but alumina. */
  blaster: ['blaster'],
  alumina: ['blaster', 'aluminaDust'],
} as const satisfies Readonly<Record<string, readonly CautionId[]>>
export type Hazard = keyof typeof hazards

/** What a material brings with it when it is mixed or used. */
function hazardsOfMaterial(materialId: string): readonly Hazard[] {
  const family = materials.get(materialId)?.family
  if (family === 'gypsum' || family === 'investment') return ['gypsum']
  if (family === 'acrylic') return ['monomer']
  return materialId === 'cyanoacrylate' ? ['adhesive'] : []
}

/** What of a step brings a hazard by itself. */
interface Worked {
  readonly amounts?: readonly { readonly materialId: string }[] | undefined
  readonly machine?: 'bath' | 'furnace' | 'kiln' | 'sinter' | undefined
}

/**
 * The cautions of a step: by what it uses, by its materials and by its machine, each once.
 * @param uses as its template names it
 */
export function cautionsOf(uses: readonly Hazard[], { amounts = [], machine }: Worked): readonly CautionId[] {
  const all: readonly Hazard[] = [
    ...uses,
    ...amounts.flatMap(({ materialId }) => hazardsOfMaterial(materialId)),
    ...(machine === 'bath' ? (['hotFlask'] as const) : []),
    ...(machine === 'furnace' ? (['hotRing'] as const) : []),
    ...(machine === 'kiln' || machine === 'sinter' ? (['kiln'] as const) : []),
  ]
  return [...new Set(all.flatMap((hazard): readonly CautionId[] => hazards[hazard]))]
}
