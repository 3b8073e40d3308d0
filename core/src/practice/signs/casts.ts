import type { SignBook } from './sign-book.ts'

/** Stone: casts, dies, trimmed models, mountings. */
export const castSigns: SignBook = {
  'no-play': {
    good: 'The upper frame swings without a sound and stops where it did.',
    signs: {
      'It moves': { by: 'finger', say: 'Held below, the upper frame gives sideways by a hair and clicks.' },
    },
  },
  'casts-seated': {
    good: 'Both stand as one piece in the plaster.',
    harmless: ['A crumb of plaster sticks outside the joint.'],
    signs: {
      'A cast rocks': {
        by: 'paper',
        say: 'A strip pulls out freely on the left while the right holds it.',
        comes: 'The bite is high on one side, though it was true on the articulator.',
      },
    },
  },
  'die-whole': {
    good: 'The line of the preparation is sharp all round.',
    harmless: ['A tiny pit on the root, far below the line.'],
    signs: {
      'A bubble on the margin': {
        by: 'lens',
        say: 'Half a pinhead of stone sits astride the line, round and smooth.',
      },
      Broken: { by: 'eye', say: 'A corner of the preparation stayed in the impression.' },
    },
  },
  'die-returns': {
    good: 'It drops into its bed with one dull sound.',
    signs: { 'It rocks': { by: 'finger', say: 'Tapped at two ends in turn it answers with two sounds.' } },
  },
  'die-margin': {
    good: 'The line lies free, a clean hollow below it.',
    signs: {
      'Still covered': { by: 'lens', say: 'Towards the tongue a thin lip of stone lies over the line.' },
      'Cut into': {
        by: 'lens',
        say: 'For two millimetres the line is a fresh flat facet.',
        comes: 'The crown is short of the tooth there.',
      },
    },
  },
  'dies-sound': {
    good: 'The line can be followed all round.',
    harmless: ['A speck of wax on the shoulder comes off with a nail.'],
    signs: {
      'Margin cannot be read': {
        by: 'lens',
        say: 'Behind, the shoulder fades away into the gum of the cast.',
      },
      'A chip or bubble off the margin': {
        by: 'lens',
        say: 'On the wall, a millimetre above the line, a pit with a white rim.',
      },
    },
  },
  'dies-home': {
    good: 'All stand level in the arch.',
    signs: { 'A die stands up': { by: 'finger', say: 'A nail drawn across the saw cut catches on a step.' } },
  },
  'heat-gone': {
    good: 'Cool against the back of the hand.',
    signs: { 'Still warm': { by: 'finger', say: 'Against the lip it is like a cup of tea gone half cold.' } },
  },
  'teeth-whole': {
    good: 'Every edge is there, and a nail leaves no mark.',
    harmless: ['A thin flash of stone behind the last molar.', 'A grain of alginate in a fissure.'],
    signs: {
      'A tooth broke': {
        by: 'eye',
        say: 'A crumb of stone stayed in the alginate, one cusp long.',
        comes: 'A crown of the cast is short: the measure taken on it is wrong.',
      },
      'Surface soft or chalky': {
        by: 'finger',
        say: 'A nail leaves a groove, and the thumb comes away white.',
        comes: 'The cast has worn where it was measured.',
      },
      'A piece is lost': {
        by: 'eye',
        say: 'Where an edge was is a fresh face, and nothing lies in the impression.',
      },
    },
  },
  'no-holes': {
    good: 'The faces are closed, the teeth clean.',
    harmless: ['A fine dark line where the two pours meet.'],
    signs: {
      'A hole is open': { by: 'light', say: 'Side light leaves a black dot on the back face.' },
      'A bleb on a tooth': {
        by: 'lens',
        say: 'In a fissure of the first molar a smooth ball the size of a poppy seed.',
        comes: 'The splint made on it rides on a ball of stone that no mouth has.',
      },
    },
  },
  surface: {
    good: 'Even and quiet in side light.',
    harmless: ['A shade darker where it was wetted.'],
    signs: {
      'Wheel marks': { by: 'light', say: 'Side light shows bows, all curving the same way.' },
      'New hole opened': {
        by: 'light',
        say: 'A dark spot that was not there before has come up in the face.',
      },
      'Polished open': { by: 'lens', say: 'Dry, a patch lets the bare body look through a ring of gloss.' },
      'Glaze opened widely': {
        by: 'dry',
        say: 'Dry, half the biting face is dull and grainy between shining walls.',
      },
      'A crack': {
        by: 'light',
        say: 'With a lamp behind it a hair of light runs from the edge to the shoulder and stops.',
        comes: 'It came apart in the mouth after a week.',
      },
    },
  },
  land: {
    good: 'The fold is whole; three millimetres of shelf lie outside it.',
    signs: {
      'Trimmed into the vestibule': {
        by: 'eye',
        say: 'On the left the bottom of the fold runs out through the side face.',
      },
    },
  },
  'casts-whole': {
    good: 'Both models are clean to the last molar.',
    signs: {
      'A bleb on a tooth': { by: 'lens', say: 'Between two cusps shines a little ball of stone.' },
      'A tooth is broken': { by: 'eye', say: 'One canine is as flat as its neighbour, its face fresh.' },
    },
  },
  'bite-fits': {
    good: 'Wax between them, both close and hold still.',
    signs: {
      'One rocks or stays open': {
        by: 'finger',
        say: 'Pressed over the left molars, the right ones part by a card.',
      },
    },
  },
  'upper-vestibule': {
    good: 'The shelf runs on outside the fold.',
    signs: {
      'Cut into the vestibule': {
        by: 'eye',
        say: 'Beside the canine the wheel has taken the bottom of the fold away.',
      },
    },
  },
  'lower-vestibule': {
    good: 'The shelf runs on outside the fold.',
    signs: {
      'Cut into the vestibule': {
        by: 'eye',
        say: 'At the premolars the face runs through the deepest line of the fold.',
      },
    },
  },
  'bite-kept': {
    good: 'The pencil lines across both still meet.',
    signs: {
      'It moved': { by: 'lens', say: 'The pencil line of the upper stands a line beside that of the lower.' },
    },
  },
  stands: {
    good: 'On every face both stand and the teeth stay closed.',
    signs: {
      'They fall or open': {
        by: 'eye',
        say: 'Set down on the back, a gap like a visiting card comes between the molars.',
      },
    },
  },
  faces: {
    good: 'Seven faces, flat and closed.',
    signs: { 'A void is open': { by: 'light', say: 'Side light catches a dark pinhole beside an edge.' } },
  },
  'base-clear': {
    good: 'Stone all over the bottom.',
    signs: {
      'A replica shows': { by: 'eye', say: 'In the ground bottom a bright ring of metal has come up.' },
    },
  },
  'replicas-home': {
    good: 'Metal lies on metal all round.',
    signs: {
      'A gap': {
        by: 'lens',
        say: 'Round one joint a dark hair line, wider on one side.',
        comes: 'The bridge made on it does not go down on that implant.',
      },
    },
  },
  'torque-by-feel': {
    good: 'Each comes to a firm stop.',
    signs: {
      'One turns': { by: 'finger', say: 'Held below, the cylinder follows the driver a little further.' },
      'A coping has turned': {
        by: 'lens',
        say: 'One flat no longer faces the pencil line that was drawn on it.',
      },
    },
  },
  'replicas-firm': {
    good: 'None gives under the fingers.',
    signs: {
      'One moves': {
        by: 'finger',
        say: 'Rocked with the driver, one ticks in its stone.',
        comes: 'Nothing made on it fits the mouth.',
      },
    },
  },
  'tooth-home': {
    good: 'A nail runs over the joint without a stop.',
    signs: { 'A step or a gap': { by: 'finger', say: 'The nail stops where the crown goes on.' } },
  },
  'tissue-passive': {
    good: 'The soft piece lies in by itself.',
    signs: { 'It springs or stands up': { by: 'finger', say: 'Pressed down it comes up again like a lid.' } },
  },
  'copings-seated': {
    good: 'The joints are closed all round.',
    signs: { 'A gap': { by: 'lens', say: 'Under one shoulder runs a dark hair line.' } },
  },
  'borders-smooth': {
    good: 'The rim runs round under the finger.',
    signs: {
      'A sharp place': { by: 'finger', say: 'Run along the rim, the finger catches near the cheek.' },
    },
  },
  'inside-rough': {
    good: 'Dull and dry all over the inside.',
    signs: {
      'Shiny or sticky': {
        by: 'finger',
        say: 'Near the palate the finger clings, and the light comes back.',
      },
    },
  },
  channels: {
    good: 'A probe drops through each.',
    signs: {
      'One is blocked': {
        by: 'instrument',
        say: 'In one the probe stops halfway and comes up with resin at its tip.',
      },
    },
  },
  'tray-free': {
    good: 'The tray lifts and drops without a touch.',
    signs: {
      'It touches': { by: 'paper', say: 'A strip laid over one cylinder stays held under the tray.' },
    },
  },
}
