/** Where something shows, whatever the route: the check and its answer; the measure and its side; the region of a drawing and its fault. */
export type ShowsRef =
  | { readonly look: string; readonly answer: string }
  | { readonly measure: string; readonly side: 'below' | 'above'; readonly adds?: number }
  | { readonly region: string; readonly fault: string }

const looks = (look: string, answer: string): ShowsRef => ({ look, answer })
const below = (measure: string): ShowsRef => ({ measure, side: 'below' })
const above = (measure: string, adds?: number): ShowsRef => ({
  measure,
  side: 'above',
  ...(adds === undefined ? {} : { adds }),
})
const region = (name: string, fault: string): ShowsRef => ({ region: name, fault })
export const at = { looks, below, above, region }

/**
 * What was passed over shows again further on, by the kind of the fault: what becomes of it in the work (common practice).
 */
export const showsLater: Readonly<Record<string, readonly ShowsRef[]>> = {
  'impression-whole: Tray shows through': [looks('seats', 'Will not seat'), looks('on-cast', 'Wobbles')],
  'impression-whole: Torn or part missing': [
    below('border-thickness'),
    looks('land', 'Trimmed into the vestibule'),
  ],
  'margin-in-impression: A bubble on it': [
    looks('die-whole', 'A bubble on the margin'),
    looks('margin-fit', 'Open'),
  ],
  'margin-in-impression: Torn or dragged': [
    looks('dies-sound', 'Margin cannot be read'),
    looks('margin-fit', 'Open'),
  ],
  'die-whole: A bubble on the margin': [
    looks('dies-sound', 'A chip or bubble off the margin'),
    looks('margin-fit', 'Open'),
  ],
  'die-margin: Cut into': [looks('margin-fit', 'Open')],
  'die-margin: Still covered': [looks('margin-covered', 'Short'), looks('margin-fit', 'Open')],
  'die-returns: It rocks': [looks('dies-home', 'A die stands up'), looks('cast-contacts', 'High')],
  'casts-seated: A cast rocks': [looks('set-up-contacts', 'No contact on one side'), above('pin-open')],
  'no-play: It moves': [above('pin-open')],
  'pin-reading: above': [looks('set-up-contacts', 'Pin stands off'), above('pin-open')],
  'pin-reading: below': [looks('set-up-contacts', 'No contact on one side')],
  'green-sound: Short of the line': [looks('margin-covered', 'Short')],
  'margin-covered: Short': [looks('margin-last', 'A gap'), looks('margin-fit', 'Open')],
  'margin-covered: Over the line': [looks('margin-fit', 'Over')],
  'margin-covered: A fold': [region('inside', 'Nodules')],
  'margin-last: A gap': [looks('margin-fit', 'Open')],
  'stops-present: A high spot': [looks('cast-contacts', 'High')],
  'contacts: Open': [looks('cast-contacts', 'Contact open')],
  'contacts: Too tight': [looks('cast-contacts', 'Contact tight')],
  'no-voids: A void': [region('inside', 'Nodules')],
  'wetted: Pools': [region('margin', 'Rounded')],
  'wetted: None used': [region('inside', 'Nodules')],
  'end-clearance-gypsum: below': [region('margin', 'Fins')],
  'end-clearance-phosphate: below': [region('margin', 'Fins')],
  'end-clearance-gypsum: above': [region('margin', 'Short')],
  'end-clearance-phosphate: above': [region('margin', 'Short')],
  'coping-wax: below': [below('coping-thickness')],
  'resin-short: below': [looks('margin-fit', 'Over')],
  'master-whole: Bubble or break on the ridge': [region('ridge', 'A nodule')],
  'teeth-clean: Wax on a tooth': [looks('mould-clean', 'A tooth is loose')],
  'base-seats: Wax in the sulcus': [above('border-thickness'), above('border-final')],
  'border-wax: below': [below('border-thickness'), below('border-final')],
  'border-thickness: below': [below('border-final')],
  'sealed: Pin stands off': [above('pin-open')],
  'sealed: A gap at the border': [region('post-dam', 'A nodule')],
  'metal-contact: A gap all round': [above('pin-open')],
  'mould-clean: Grease left': [looks('resin-surface', 'Stone stuck to it')],
  'remount-seated: Rocks or gaps': [above('pin-again')],
  'pumice-scratches: A scratch: catches a nail': [looks('shine', 'A scratch: catches a nail')],
  'pumice-scratches: A scratch: seen wet': [looks('shine', 'A scratch: seen wet')],
  'pumice-scratches: A scratch: only dry, with a lens': [looks('shine', 'A scratch: only dry, with a lens')],
  'replicas-home: A gap': [looks('copings-seated', 'A gap')],
  'replicas-firm: One moves': [looks('copings-seated', 'A gap')],
  'upper-vestibule: Cut into the vestibule': [looks('stands', 'They fall or open')],
  'own-tools: Used on metal': [looks('clean', 'Dust or grease')],
  'dust-off: Dust in the grooves': [looks('surface', 'A crack')],
  'clean: Dust or grease': [looks('glaze-even', 'A pool or a streak')],
  'contacts-polished: Too tight': [looks('seats-again', 'Held up')],
  'green-wall: below': [looks('cracks', 'A crack'), looks('surface', 'A crack')],
  'thinnest-wall: below': [looks('surface', 'A crack')],
  'undercut: Severe, still open': [looks('clasp-fits', 'Too stiff to pass')],
  'undercut: None left': [looks('home', 'Clasp stands off')],
  'covered: A face is bare': [looks('covered-again', 'A face is bare')],
}
