import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { RouteTemplate } from '../../route/index.ts'
import { adjust, askDentist, goBack, look } from '../checks.ts'
import { deliverySteps } from '../delivery.ts'
import { disinfectArrival, readAuthorisation } from '../door.ts'
import { castPictures, onePicture, shows } from '../pictures.ts'

/** Cast posts and cores, from castings on their sprue to packed posts with their papers (common practice throughout). */
export const castPosts: RouteTemplate = {
  id: 'cast-posts',
  version: 5,
  name: 'Cast post and core',
  usualDays: 3,
  teeth: { least: 1, say: 'Enter each tooth that gets a post.' },
  pictures: { ...onePicture(shows('post')), receive: castPictures.receive },
  matters: [
    {
      id: 'origin',
      name: 'Pattern',
      choices: [
        { id: 'direct', name: 'From the clinic' },
        { id: 'indirect', name: 'Made on a model' },
      ],
      usual: 'direct',
      why: 'As it came.',
      prescribed: true,
    },
    {
      id: 'remelt',
      name: 'Returned metal',
      choices: [
        { id: 'never', name: 'Never' },
        { id: 'posts', name: 'Posts only, on record' },
      ],
      usual: 'posts',
      why: 'Never, or for posts only with lot and share on record; maker and local rules decide.',
    },
  ],
  steps: [
    readAuthorisation,
    disinfectArrival('Castings on their sprue, models.'),
    {
      id: 'list-posts',
      name: 'List and mark the posts',
      stage: 'receive',
      kind: 'attended',
      how: [
        'One container for each post, marked with tooth and patient code.',
        'A post leaves its container one at a time.',
      ],
      why: 'Two posts that change places cannot be told apart.',
      handsOnMinutes: 5,
      sheets: [
        {
          id: 'posts',
          kind: 'parts',
          name: 'Posts',
          how: 'One line for each tooth.',
          source: COMMON_PRACTICE,
          suggested: ['Post'],
          failing: adjust('Look for it.'),
        },
      ],
    },
    {
      id: 'metal-record',
      name: 'Metal into the record',
      stage: 'cast',
      picture: shows('post', ['sprue']),
      kind: 'attended',
      how: ['Alloy, lot and share of returns, as the caster wrote them down.'],
      why: 'The statement names what the patient carries.',
      handsOnMinutes: 3,
      amounts: [
        {
          id: 'alloy',
          kind: 'use',
          materialId: 'casting-alloy',
          count: 1,
          unit: 'charge',
          source: 'as cast',
        },
      ],
      checks: [
        {
          id: 'remelt-never',
          name: 'From returns, %',
          how: 'Of the charge.',
          kind: 'measure',
          quantity: 'count',
          max: 0,
          above: askDentist(
            'The post holds returned metal, which this lab does not use. Cast again, or accept it?',
          ),
          plausible: { min: 0, max: 100 },
          source: 'rule of the lab',
          when: { remelt: ['never'] },
        },
        {
          id: 'remelt-posts',
          name: 'From returns, %',
          how: 'Of the charge.',
          kind: 'measure',
          quantity: 'count',
          max: 50,
          above: askDentist('More than half of the post is returned metal. Cast again, or accept it?'),
          plausible: { min: 0, max: 100 },
          source: 'at least half new metal: Phillips, recalled',
          when: { remelt: ['posts'] },
        },
      ],
    },
    {
      id: 'cut-sprue',
      plan: { skill: 'metal' },
      name: 'Take the sprue off',
      stage: 'finish',
      picture: shows('post', ['sprue']),
      kind: 'attended',
      how: [
        'Hold hot work with locking forceps.',
        'Heatless stone on the stub; keep the shape that the clinic designed.',
      ],
      why: 'The shape is the prescription.',
      handsOnMinutes: 10,
      checks: [
        look(
          'shape-kept',
          'Shape',
          'Beside the pattern or its picture.',
          'Kept',
          {
            'An undercut': adjust('Take the undercut out, nothing else.'),
            'A sharp edge': adjust('Round it: it would crack what seats over it.'),
            'Ground away': askDentist('The post was ground short. Cast again, or accept it?'),
          },
          { perTooth: 'each' },
        ),
      ],
      uses: ['metalWheel', 'lathe', 'hotRing'],
    },
    {
      id: 'smooth-post',
      plan: { skill: 'metal' },
      name: 'Smooth with a clean stone',
      stage: 'finish',
      kind: 'attended',
      how: [
        'A stone used for this alloy only.',
        'Look inside for bubbles; margins smooth at medium speed, under the lens.',
      ],
      why: 'A stone that has cut another alloy carries it over.',
      handsOnMinutes: 10,
      checks: [
        look('stone-clean', 'Stone', 'Kept for this alloy.', 'Non-contaminating', {
          'Used on another alloy': adjust('Take a clean stone and go over it again.'),
        }),
        look(
          'bubbles',
          'Inside',
          'Under the lens.',
          'No bubble',
          {
            'A bubble': adjust('Take it off; never from the fitting wall itself.'),
          },
          { perTooth: 'each' },
        ),
        look(
          'margin',
          'Margin',
          'Under the lens.',
          'Smooth',
          { Rough: adjust('Go over it once more.') },
          { perTooth: 'each' },
        ),
      ],
      uses: ['metalWheel', 'lathe'],
    },
    {
      id: 'fit-post',
      plan: { skill: 'metal' },
      name: 'Fit on the model',
      stage: 'check',
      kind: 'attended',
      when: { origin: ['indirect'] },
      how: ['Seat it without force, look at the margin under the lens.'],
      why: 'What does not fit the model will not fit the root.',
      handsOnMinutes: 8,
      checks: [
        look(
          'seats',
          'Seat',
          'Home without pressure.',
          'Seats',
          {
            'Held up': adjust('Mark, relieve, try again.'),
            Loose: askDentist('The post is loose on its model. Cast again, or accept it?'),
          },
          { perTooth: 'each' },
        ),
        look(
          'margin-fit',
          'Margin',
          'All round under the lens.',
          'Closed',
          {
            Open: goBack('cut-sprue', 'Look for what holds it up, from the sprue on.'),
          },
          { perTooth: 'each' },
        ),
      ],
    },
    bath('ultrasonic-ammonia', 'Ultrasonic, ammonia solution', ['ammonia']),
    bath('ultrasonic-water', 'Ultrasonic, distilled water'),
    {
      id: 'dry-pack',
      name: 'Dry and pack',
      stage: 'document',
      kind: 'attended',
      how: ['Air dry, each into its own marked container.'],
      why: 'Counted in, counted out.',
      handsOnMinutes: 5,
      sheets: [
        {
          id: 'packed',
          kind: 'parts',
          name: 'Posts packed',
          how: 'Count every container.',
          source: COMMON_PRACTICE,
          suggested: ['Post'],
          returnOf: { stepId: 'list-posts', sheetId: 'posts' },
          failing: adjust('Look for the missing post before anything leaves.'),
        },
      ],
    },
    ...deliverySteps({ resin: false, metal: true, packed: ['Containers in the bag, models back.'] }),
  ],
}

function bath(id: string, name: string, uses?: readonly 'ammonia'[]) {
  return {
    id,
    name,
    stage: 'polish' as const,
    kind: 'machine' as const,
    plan: { takes: [{ station: 'ultrasonic' as const }] },
    how: ['About 3 min.'],
    why: 'Paste and grindings would be cemented in.',
    handsOnMinutes: 1,
    waitMinutes: 3,
    wait: {
      earliestMinutes: 3,
      bestMinutes: 15,
      early: 'Not clean yet.',
      late: 'No harm.',
      source: 'common practice: about 3 min',
    },
    ...(uses ? { uses } : {}),
  }
}
