import { crewHours } from '../weighing/amounts';
import type { SchoolInForce } from '../practice';
import { clearanceOf, type Profile } from '../profile';
import { longMark, shortMark } from '../units/marks';
import type { Quantity } from '../units/quantity';
import { named } from '../vocabulary/quantities';
import { limit, schoolNote, schoolValue, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';

type MulchRead = NonNullable<Profile['mulch']>;

/**
 * Radius of the ring that a volume of mulch covers at an even depth.
 *
 * R = sqrt(V / (pi t) + (r + c)^2), from V = pi t (R^2 - (r + c)^2).
 *
 * @param volume m3
 * @param depth t, m, positive
 * @param inner r + c, stem radius and clearance, m
 * @example ringRadius(0.2765, 0.06, 0.175) // 1.22 m
 */
export function ringRadius(volume: number, depth: number, inner: number): number {
  if (!(depth > 0)) throw new RangeError(`Mulch depth must be positive, not ${depth}.`);
  return Math.sqrt(volume / (Math.PI * depth) + inner ** 2);
}

/** Volume of an even ring, m3. */
export const ringVolume = (outer: number, depth: number, inner: number): number =>
  Math.max(0, Math.PI * depth * (outer ** 2 - inner ** 2));

const METHOD = [
  'Pull the mulch off the bark by hand or with a blunt rake, all round, down to the soil.',
  'Cut roots that live only in the mulch at its base as it comes away; tell a root from the stem first.',
  'Throw the excess outward over the new ring, not up; break the old surface so that water passes.',
  'Leave the clearance open to the soil; do not fill it later.',
];

const CAUTIONS = [
  'Look for wire, labels and guards in the mulch before raking.',
  'Dust, moulds and wasps live in old mulch: gloves and eye protection.',
];

/** What holds however the mulch lies. */
function however(s: Situation, { advice }: Ruled): Weighed {
  const school = s.school('mulchDepth');
  const season = s.school('mulchSeason');
  return {
    key: 'mulch',
    title: 'Pull back and widen the mulch',
    advice,
    summary: '',
    why: [],
    quantities: [],
    method: METHOD,
    cautions: CAUTIONS,
    acceptance: [
      `No mulch within ${shortMark(schoolValue(school, 'clearance'))} of the bark on any side.`,
      `Depth ${shortMark(schoolValue(school, 'depth'))}, nowhere over ${shortMark(0.075)}, at three points checked with a rod.`,
      'The flare or the soil at the stem can be seen all round.',
    ],
    schools: [used(school), used(season)],
    season: `Clear the bark now; top-dress in ${season.label}.`,
    lookAgain: { days: 180, why: 'See whether the maintenance round pushed the mulch back up.' },
    missing: [],
  };
}

/** The ring that the mulch there is makes at the depth of the school, m, and what is left over of it or missing, m3. */
function ringOf(mulch: MulchRead, depth: number, inner: number, room: number | undefined) {
  const volume = mulch.volume.value;
  const radius = ringRadius(volume, depth, inner);
  const wanted = Math.min(mulch.ringRadius.value, room ?? Infinity);
  const finished = room !== undefined && radius > room ? room : Math.max(radius, wanted);
  // Less than a litre either way is even; it also keeps rounding noise from choosing the word.
  const surplus = volume - ringVolume(finished, depth, inner);
  return { radius, finished, balance: Math.abs(surplus) < 0.001 ? 0 : surplus };
}

/** What the new ring comes to. */
function amountsOf(
  mulch: MulchRead,
  { radius, finished, balance }: ReturnType<typeof ringOf>,
  stemRadius: number,
  room: number | undefined,
  school: SchoolInForce,
): Quantity[] {
  const depth = schoolValue(school, 'depth');
  const clearance = schoolValue(school, 'clearance');
  const inner = stemRadius + clearance;
  const volume = mulch.volume.value;
  const working = (formula: string, inputs: Quantity['working']['inputs'], notes: string[] = []) => ({
    formula,
    inputs,
    source: 'geometry; depth and clearance by school',
    school: schoolNote(school),
    notes,
  });
  return [
    {
      ...named('ringMulchCovers'),
      value: radius,
      dimension: 'long length',
      plusMinus:
        mulch.volume.plusMinus === undefined
          ? undefined
          : mulch.volume.plusMinus / (2 * Math.PI * depth * Math.max(radius, inner)),
      working: working(
        'R² = V / (pi × t) + (r + c)²',
        [
          { name: 'V, mulch volume', value: volume, dimension: 'volume' },
          { key: 'targetDepth', name: 't, target depth', value: depth, dimension: 'short length' },
          { name: 'r, stem radius', value: stemRadius, dimension: 'short length' },
          { key: 'clearance', name: 'c, clearance', value: clearance, dimension: 'short length' },
        ],
        ['± from the mulch volume, first order'],
      ),
    },
    {
      ...named('newRingRadius'),
      value: finished,
      dimension: 'long length',
      working: working(
        'the ring the mulch covers, within the room there is; never smaller than the present ring',
        [
          { name: 'ring the mulch covers', value: radius, dimension: 'long length' },
          { name: 'present ring', value: mulch.ringRadius.value, dimension: 'long length' },
          ...(room === undefined ? [] : [{ name: 'room', value: room, dimension: 'long length' as const }]),
        ],
      ),
    },
    {
      ...named(balance >= 0 ? 'mulchLeftOver' : 'mulchMissing'),
      value: Math.abs(balance),
      dimension: 'volume',
      working: working('V less pi × t × (R² - (r + c)²)', [
        { name: 'V, mulch volume', value: volume, dimension: 'volume' },
        { name: 'R, new ring radius', value: finished, dimension: 'long length' },
      ]),
    },
    {
      ...named(balance >= 0 ? 'bagsToCarryAway' : 'bagsToBring'),
      value: Math.ceil(Math.abs(balance) / limit('bagVolume')),
      dimension: 'count',
      working: working('volume / bag, rounded up', [
        { name: 'bag', value: limit('bagVolume'), dimension: 'volume' },
      ]),
    },
    crewHours(volume / limit('rakeRate'), 'volume / rate by rake', [
      { name: 'rate, m³ an hour', value: limit('rakeRate'), dimension: 'ratio' },
    ]),
  ];
}

/** Pull the mulch back from the bark and spread the excess outward at the target depth. */
function weigh(s: Situation, ruled: Ruled): Weighed {
  const { advice, why } = ruled;
  const school = s.school('mulchDepth');
  const depth = schoolValue(school, 'depth');
  const clearance = schoolValue(school, 'clearance');
  const { mulch, stemRadius } = s.profile;
  const base = however(s, ruled);
  if (!mulch || stemRadius === undefined) {
    const asked = advice !== 'not';
    return {
      ...base,
      summary: asked
        ? `Take the mulch off the bark by hand, ${shortMark(clearance)} clear all round; measure it there for the amounts.`
        : 'Mulch not measured.',
      why: asked ? why : ['Mulch not measured, so there is nothing to judge.'],
      missing: ['mulch profiles', ...(stemRadius === undefined ? ['stem diameter'] : [])],
    };
  }
  const room = s.tree.mulchRoom;
  const ring = ringOf(mulch, depth, stemRadius + clearance, room);
  const touching = s.visit.profiles.filter((p) => p.mulch.length > 0 && clearanceOf(p) < clearance).length;
  const close =
    touching > 0 ? [`less than ${shortMark(clearance)} clear at ${touching} of the bearings read`] : [];
  const told = { ...base, quantities: amountsOf(mulch, ring, stemRadius, room, school) };
  return advice === 'do'
    ? {
        ...told,
        summary: `Clear ${shortMark(clearance)} round the bark and spread the mulch ${shortMark(depth)} deep out to ${longMark(ring.finished)} from the centre of the stem.`,
        why: [...why, ...close],
      }
    : {
        ...told,
        summary: 'Mulch lies as it should; leave it.',
        why: ['Mulch is off the bark and no deeper than the schools allow.'],
      };
}

export const mulch: Remedy = {
  treats: ['mulchCone', 'stemInjury'],
  settles: [],
  do: [
    {
      when: [{ fact: 'mulchOnBark', is: 'yes' }],
      why: 'Bark that is kept damp rots, and roots turn round in it.',
    },
    { when: [{ fact: 'mulchCone', is: 'yes' }], why: 'What roots in a cone dies in frost and drought.' },
    {
      when: [{ measured: 'mulchTooDeep' }],
      why: 'Deeper than any school lays it, it sheds water and shuts out air.',
    },
    {
      when: [
        { node: 'mulchCone', standing: 'likely' },
        { fact: 'mulchOnBark', isNot: 'no' },
        { fact: 'mulchOnBark', isNot: 'yes' },
      ],
      why: 'Taking mulch off bark does no harm, whatever else is wrong.',
    },
  ],
  option: [
    {
      when: [
        { node: 'mulchCone', standing: 'possible' },
        { fact: 'mulchOnBark', isNot: 'no' },
      ],
      why: 'A rake and a quick look settle it.',
    },
  ],
  against: [],
  first: [],
  risks: ['Roots that live in the mulch alone dry out as it comes away.'],
  followUp: 'Look after the maintenance crew’s spring round.',
  weigh,
};
