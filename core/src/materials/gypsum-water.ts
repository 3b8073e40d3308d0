/** Molar masses, g/mol, of calcium sulfate hemihydrate and of the 1½ water that it binds (exact from atomic weights). */
const HEMIHYDRATE_GRAMS_PER_MOL = 145.15
const BOUND_WATER_GRAMS_PER_MOL = 27.02
/** Water bound by a gram of gypsum powder, g: 0.18615 (exact). */
export const BOUND_WATER_GRAMS_PER_GRAM = BOUND_WATER_GRAMS_PER_MOL / HEMIHYDRATE_GRAMS_PER_MOL
