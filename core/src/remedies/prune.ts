import { percent } from '../units/share';
import { amount, crewHours } from '../weighing/amounts';
import { CUT_PLAN } from '../practice';
import type { DigReading } from '../roots';
import type { Quantity } from '../units/quantity';
import { dugOf } from '../weighing/dug';
import { limit, used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';
import { vectorSeason } from '../weighing/season';

const DAYS = 365;

/** Root pruning: as the agreed cut plan has it; without one it waits for it where roots press. */
function weigh(s: Situation, { advice, why, barred }: Ruled): Weighed {
  const girdling = s.school('girdling');
  const loss = s.school('rootLoss');
  const dig = dugOf(s);
  const agreed = s.visit.cuts?.agreed ?? [];
  const interval = s.visit.cuts?.interval ?? CUT_PLAN.interval.value;
  const first = Number(s.visit.date.slice(0, 4));
  const stages = [...new Set(agreed.map((a) => a.stage))].sort((a, b) => a - b);
  const dayOf = (stage: number) =>
    stage > 1 ? s.visit.cuts?.days?.find((d) => d.stage === stage)?.on : undefined;
  const inStage = (stage: number) => agreed.filter((a) => a.stage === stage).map((a) => a.label);
  const base: Weighed = {
    key: 'prune',
    title: 'Root pruning',
    advice,
    summary: '',
    why,
    quantities: [],
    method: [
      'Lay the roots bare by hand or with compressed air; keep them moist and shaded.',
      'What lies on top goes first.',
      'Cut clean with a sharp saw or chisel where the root leaves the compressed stretch, as far out as frees the stem; no tearing.',
      'Pieces grown into the bark stay in: pulling them out tears it.',
      'Let the bark dry, then look again before it is covered.',
    ],
    cautions: [
      'Cutting roots can free a tree to fall: a qualified person assesses its stability first; target area clear, not in high wind or on saturated ground.',
      ...vectorSeason(s),
      'Locate buried lines before digging.',
    ],
    acceptance: [
      'Every numbered cut made and clean; every root on the never-cut list whole.',
      'Bark over the freed stretch in the open.',
    ],
    schools: [used(girdling), used(loss)],
    season:
      'In the dormant season, or after the leaves have hardened; not in drought. Closed seasons of disease vectors come first.',
    missing: [],
  };
  if (!dig)
    return {
      ...base,
      summary: 'Not dug: whether a root girdles is not known.',
      why: ['No root was mapped.'],
      missing: ['a dig'],
    };
  if (agreed.length > 0) {
    const now = inStage(1);
    const next = stages.find((stage) => stage > 1);
    return {
      ...base,
      summary: `${stages.map((stage) => `Stage ${stage}, ${dayOf(stage) ?? first + (stage - 1) * interval}: ${inStage(stage).join(', ')}`).join('; ')}.`,
      quantities: quantitiesOf(dig, now),
      ...(next !== undefined && {
        lookAgain: {
          days: (next - 1) * interval * DAYS,
          why: `Stage ${next} of the cut plan: ${inStage(next).join(', ')}.`,
        },
      }),
    };
  }
  const presses = advice === 'option';
  if (barred)
    return {
      ...base,
      summary: `Left by choice: no root is cut, and ${percent(dig.share)} of the bark is compressed today.`,
    };
  return {
    ...base,
    summary: presses
      ? `Roots compress ${percent(dig.share)} of the bark: agree a cut plan at the station Cut plan, or leave them knowingly.`
      : 'No root presses on the bark enough to tell.',
    why: presses
      ? why
      : [
          `roots compress ${percent(dig.share)} of the bark; under ${percent(limit('girdleMatters'))} cannot be determined`,
        ],
  };
}

/** What the cuts of the first stage take. */
function quantitiesOf(dig: DigReading, labels: readonly string[]): Quantity[] {
  const roots = dig.roots.filter((r) => labels.includes(r.root.label));
  const share = roots.reduce((sum, r) => sum + r.shareOfArea, 0);
  const hours = limit('setUpHours') + roots.length * limit('cutHours');
  return [
    amount('rootsInStage1', roots.length, 'count', 'roots of the agreed cut plan in its first stage', [], {
      notes: [labels.join(', ')],
    }),
    amount(
      'rootSectionThatGoes',
      share,
      'share',
      'cross-section of these roots by that of all roots that leave the stem',
      roots.map((r) => ({
        name: `root ${r.root.label}`,
        value: r.shareOfArea,
        dimension: 'share',
      })),
      { source: 'geometry of the dig' },
    ),
    crewHours(
      hours,
      'set-up + roots × time for each',
      [
        { name: 'roots', value: roots.length, dimension: 'count' },
        { name: 'hours a root', value: limit('cutHours'), dimension: 'hours' },
      ],
      { notes: ['Laying bare is in the root collar excavation.'] },
    ),
  ];
}

export const prune: Remedy = {
  treats: ['containerRoots', 'girdlingRoots', 'transport'],
  settles: [],
  do: [
    {
      when: [{ measured: 'cutsAgreed' }],
      why: 'Freed bark grows on; what is left is compressed harder every year.',
    },
  ],
  option: [{ when: [{ measured: 'rootsPress' }], why: 'Stem and root thicken into one another.' }],
  bars: [
    {
      when: [{ measured: 'cutsLeftAll' }],
      why: 'Where the cure costs more than the fault, it is left and monitored.',
    },
  ],
  against: [
    { when: [{ measured: 'anchorsFew' }], why: 'Few sound anchors hold it as it is.' },
    { when: [{ measured: 'inDrought' }], why: 'Every root cut is water lost in a drought.' },
  ],
  first: ['utilities', 'stability', 'permits', 'dry'],
  risks: ['A cut anchor frees the tree to fall.', 'Torn ends decay.'],
  followUp: 'Inspect the cuts and the freed bark after a season.',
  weigh,
};
