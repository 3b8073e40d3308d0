/**
 * Cautions shown with a step (common practice; the maker's sheet and local rules come first).
 * All end in the same sentence, CAUTION_RULE.
 */
export const cautions = {
  infection: 'Anything that has been in a mouth: gloves, mask, eye protection; disinfect first.',
  silicaDust: 'Plaster and stone dust holds silica: extraction and mask; trim wet.',
  monomer: 'Monomer vapour and liquid: ventilate, no skin contact, no flame (flash point about 10 °C).',
  resinDust: 'Resin dust: extraction, mask and eye protection.',
  hotWax: 'Flame and molten wax: hair and sleeves back, never leave the flame.',
  boilingWater: 'Boiling water and steam: tongs, heat-proof gloves, open the flask away from you.',
  hotFlask: 'Hot flask and bath: let it cool; tongs and gloves.',
  press: 'Press under load: hands out, stand to the side; close slowly.',
  pressurePot: 'Pressure pot: never opened under pressure; let it down first, hands off the lid meanwhile.',
  moltenMetal: 'Torch and molten metal: dark glasses, apron, hair back; stand clear of the arm.',
  flame: 'Open flame: hair and sleeves back, nothing that burns or evaporates near it; never leave it.',
  hotRing: 'Hot ring: long tongs and gloves; nothing that burns on the bench.',
  metalDust: 'Metal dust (nickel, cobalt, beryllium): extraction, mask and eye protection.',
  ceramicDust: 'Ceramic dust: wet grinding, extraction, mask and eye protection.',
  greenDust: 'Zirconia chalk dust: dry only, so extraction and mask; own tools, never used on metal.',
  hotKiln: 'Ceramic furnace: tongs and gloves; what comes out looks cold and is not.',
  acid: 'Pickling acid: ventilate, gloves and eye protection; acid into water, never the other way.',
  lathe: 'Lathe: goggles, mask, no gloves or loose sleeves; hold the work below the centre.',
  pumicePan:
    'Pumice pan: fresh pumice or disinfectant in it for every case; what has been in a mouth brings germs to the next.',
  blades: 'Scalpels, saws and discs: cut away from the hand.',
  trimmerWheel: 'Model trimmer: two hands, light pressure, fingers off the wheel.',
  chisel: 'Pneumatic chisel: eye protection, work braced, never towards the hand.',
  warmOven: 'Warm oven and what comes out of it: gloves or tongs, and say that it is hot.',
  blaster: 'Blaster: closed box, extraction, eye protection.',
  aluminaDust: 'Alumina dust: extraction and mask; never against skin or eyes.',
  uvLight: 'Curing light: shield or closed box; never look into it.',
  hotResin: 'Resin and tray come out hot: tongs, let it cool on the plate.',
  adhesive: 'Thin adhesive glues skin and eyes: eye protection, no skin contact, ventilate.',
  ammonia: 'Ammonia solutions: ventilate; never mix with bleach.',
  chlorine: 'Acid and chlorine disinfectant give chlorine gas: never together, rinse well between them.',
  disinfectant: 'Disinfectant: gloves and eye protection; contact time as its label says.',
} as const

export type CautionId = keyof typeof cautions
export const cautionIds = Object.keys(cautions) as readonly CautionId[]

/** Shown under every list of cautions. */
export const CAUTION_RULE =
  "Follow the maker's sheet and local rules; clinical decisions belong to the licensed dentist."
