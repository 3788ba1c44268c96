import { shortMark } from '../units/marks';
import { answerTo } from '../questions/question';
import type { Quantity } from '../units/quantity';
import { amount, crewHours } from './amounts';
import { limit, schoolNote, schoolValue, type Situation } from './operation';

/** Ball of a young tree, estimated where it was not measured. Common practice, no source: ten times the stem. */
export const BALL_PER_STEM = 10;

/** The ball of a tree that is lifted, m. */
export interface Ball {
  diameter: number;
  depth: number;
  /** Where its width comes from. */
  from: string;
}

/** Its ball: ten stems across, or the width of its last pot where that is more; undefined without a stem. */
export function ballOf({ tree, visit }: Pick<Situation, 'tree' | 'visit'>): Ball | undefined {
  const stem = tree.stemDiameter ?? tree.dbh;
  if (stem === undefined) return undefined;
  const pot = answerTo(visit.findings, 'history.potSize')?.number;
  const byStem = stem * BALL_PER_STEM;
  const byPot = pot !== undefined && pot > byStem;
  const diameter = byPot ? pot : byStem;
  return {
    diameter,
    depth: limit('ballDepth') * diameter,
    from: byPot ? 'the width of its last pot' : 'root ball, estimated at ten stems',
  };
}

/** Its weight, and how many people lift it; beyond that a machine does, or it is washed or blown bare. */
export function liftQuantities({ diameter, depth, from }: Ball): Quantity[] {
  const weight = (Math.PI / 4) * diameter ** 2 * depth * limit('ballDensity');
  const people = Math.ceil(weight / limit('liftEach'));
  return [
    amount(
      'ballWeight',
      weight,
      'mass',
      'pi / 4 × ball² × depth × weight of moist soil',
      [
        { name: from, value: diameter, dimension: 'long length' },
        { name: 'depth of the ball', value: depth, dimension: 'long length' },
        { name: 'moist soil', value: limit('ballDensity'), dimension: 'density' },
      ],
      { notes: ['Bare of soil it weighs a tenth of that.'] },
    ),
    amount(
      'peopleToLift',
      people,
      'count',
      'weight ÷ what one person lifts',
      [
        { name: 'weight', value: weight, dimension: 'mass' },
        { name: 'one person', value: limit('liftEach'), dimension: 'mass' },
      ],
      {
        notes:
          people > limit('liftMost')
            ? [
                `More than ${limit('liftMost')}: a machine with a sling, or the soil blown or washed off first.`,
              ]
            : [],
      },
    ),
  ];
}

/** What is shaved off a ball all round, as a share of it; nothing by a school that teases. */
export function shavedOff({ diameter }: Ball, shaved: number, s: Situation): Quantity[] {
  if (shaved <= 0) return [];
  return [
    amount(
      'ballShavedOff',
      1 - Math.max(0, 1 - (2 * shaved) / diameter) ** 2,
      'share',
      '1 - (1 - 2 × shave / ball)²',
      [
        { name: 'shave', value: shaved, dimension: 'short length' },
        { name: 'ball', value: diameter, dimension: 'long length' },
      ],
      {
        school: schoolNote(s.school('rootBall')),
        notes: ['No more than a third, and only in a young vigorous tree.'],
      },
    ),
  ];
}

/** Hours of lifting, work at the ball and setting it, by the school of the ball. */
export function liftHours(s: Situation): Quantity {
  const ball = s.school('rootBall');
  return crewHours(
    limit('resetHours') * schoolValue(ball, 'hours'),
    'by practice × work at the ball, by school',
    [{ name: 'work at the ball', value: schoolValue(ball, 'hours'), dimension: 'ratio' }],
    { school: schoolNote(ball) },
  );
}

/** Two people lift and set; for half of their time roots are out of the ground. Common practice, no source. */
const EXPOSED = { people: 2, share: 0.5 };

/** How long its roots are out of the ground, by the hours of lifting. */
export const exposure = (lifting: Quantity): Quantity =>
  amount(
    'rootsExposed',
    (EXPOSED.share * lifting.value) / EXPOSED.people,
    'hours',
    'share of the work × crew hours ÷ people',
    [
      { name: 'share of the work', value: EXPOSED.share, dimension: 'share' },
      { name: 'crew hours', value: lifting.value, dimension: 'hours' },
      { name: 'people', value: EXPOSED.people, dimension: 'count' },
    ],
    { notes: ['Keep roots wet and shaded throughout: sun and wind dry fine roots within minutes.'] },
  );

/** The hole it is set into: by the school of its width, as deep as the ball. */
export function holeQuantities(ball: Ball, s: Situation): Quantity[] {
  const school = s.school('holeWidth');
  const times = schoolValue(school, 'times');
  const across = ball.diameter * times;
  const note = schoolNote(school);
  return [
    amount(
      'holeDiameter',
      across,
      'long length',
      'root ball × times',
      [
        { name: ball.from, value: ball.diameter, dimension: 'long length' },
        { name: 'times', value: times, dimension: 'ratio' },
      ],
      { school: note, notes: ['Measure the ball once it is open.'] },
    ),
    amount('holeDepth', ball.depth, 'short length', 'as deep as the ball', [
      { name: 'ball × share of its width', value: ball.depth, dimension: 'long length' },
    ]),
    amount(
      'holeSoil',
      (Math.PI / 4) * across ** 2 * ball.depth,
      'volume',
      'pi / 4 × hole² × depth',
      [
        { name: 'hole', value: across, dimension: 'long length' },
        { name: 'depth', value: ball.depth, dimension: 'short length' },
      ],
      { school: note, notes: ['It goes back round the ball, in crumbs.'] },
    ),
  ];
}

/** How the roots of a ball are opened. */
export const BALL_METHOD = [
  'Soak a matted ball to loosen it, or keep its soil for what lives in it; look for a small pot within the large one.',
  'Unwind what bends, straighten it and firm it outward; cut what does not, clean, as far out as can be.',
  `Shave the outer ${shortMark(0.02)} to ${shortMark(0.03)} or slice the sides; never more than a third of the ball, and only in a young vigorous tree.`,
];

/** How a tree stands that was set right. Common practice, no source: at grade or up to two inches above it. */
export const SET_RIGHT = `Flare at or up to ${shortMark(0.05)} above grade under a straight stick`;

/** What rules out lifting a tree, whatever calls for it. */
export const LIFT_BARS = [
  { when: [{ measured: 'tooOldToLift' }], why: 'Roots no longer come up whole.' },
  { when: [{ measured: 'tooLargeToLift' }], why: 'The ball is too heavy to lift whole.' },
  { when: [{ fact: 'conks', is: 'yes' }], why: 'What decays is not worth the lift.' },
  { when: [{ fact: 'hollow', is: 'yes' }], why: 'What decays is not worth the lift.' },
] as const;

/** What speaks against lifting it now. */
export const LIFT_AGAINST = [
  { when: [{ measured: 'rootsLeftBall' }], why: 'Roots that have left the ball are cut by lifting it.' },
  { when: [{ measured: 'inDrought' }], why: 'Not after a dry season without water.' },
] as const;

export const LIFT_CAUTIONS = [
  'Locate buried utilities before any digging.',
  `Not after a dry season without water; some ${shortMark(limit('rainDeficit'))} less rain than usual is a warning.`,
  'A lifted tree can fall: hold it with a strap while people are in the hole. Lift with the legs, in step, or by machine.',
  'Air tool: eye, face, hearing and dust protection; bystanders away, hose secured.',
];
