import { standingOf } from '../diagnosis';
import { fineMark } from '../units/marks';
import { tightGround } from '../weighing/ground';
import { used, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import type { Ruled } from '../weighing/ruled';

const TIGHT = ['compaction', 'confinedHole'] as const;

const WAYS: Record<string, string> = {
  spokes: 'Radial trenches',
  vertical: 'Vertical mulching',
  air: 'Air decompaction',
  sectors: 'Soil replaced by sectors',
  drain: 'Drainage outlet',
  mulch: 'Surface mulch',
  subsoil: 'Subsoiling on the contour',
};

/** Opening the soil: as laid out at the station Trenches; without that it waits for it where the ground is tight. */
function weigh(s: Situation, { advice, why, barred: left }: Ruled): Weighed {
  const school = s.school('trenches');
  const fill = s.school('trenchFill');
  const fertiliser = s.school('fertiliser');
  const pace = s.school('trenchSeasons');
  const design = s.visit.trenches;
  const chosen = design?.choice?.remedy ?? 'spokes';
  return {
    key: 'trench',
    title: design && !left ? (WAYS[chosen] ?? 'Open the soil') : 'Open the soil',
    advice,
    summary: left
      ? `Left as it is by choice: ${design!.choice!.why}`
      : design
        ? 'Dig as on the trench plan; its crew sheet gives positions, quantities and the order of work.'
        : advice === 'option'
          ? tightGround(s) || TIGHT.some((node) => standingOf(s.verdict, node).standing === 'likely')
            ? 'The ground is compacted: plan trenches under Trenches, or compare the other ways there.'
            : 'Roots may find no way out: push the penetrometer or the rod on both sides of the edge of the planting hole; where it is compacted, plan trenches.'
          : 'Nothing says that the ground is compacted.',
    why: advice === 'not' && !left ? ['no measurement of compacted soil'] : why,
    quantities: [],
    method: [
      'Utilities located and marked; soil neither wet nor frozen.',
      `Roots from ${fineMark(0.025)} on are left whole across; torn ends are cut clean.`,
      'Filled the same day, watered in, topped up where it settles, mulched.',
      `Fertiliser: ${fertiliser.label}.`,
    ],
    cautions: [
      'Hand-dig near marks. Open trenches are fenced. Air tool: eye, face and hearing protection, silica dust, bystanders away.',
    ],
    acceptance: ['Nothing open overnight; fill flush with grade after watering.'],
    schools: [used(school), used(fill), used(pace), used(fertiliser)],
    season: 'When the soil is moist and crumbles: spring or autumn.',
    missing: [],
  };
}

export const trench: Remedy = {
  treats: ['confinedHole', 'compaction', 'confinedRoots', 'oxygenStarved'],
  settles: [],
  do: [
    { when: [{ measured: 'trenchesLaidOut' }], why: 'Roots and water find a way out of compacted ground.' },
  ],
  option: [
    {
      when: [{ node: 'compaction', standing: 'likely' }],
      why: 'Roots need air and room that compacted soil does not have.',
    },
    {
      when: [{ node: 'confinedHole', standing: 'likely' }],
      why: 'Roots turn at the wall of the hole until it is opened.',
    },
    { when: [{ measured: 'groundTight' }], why: 'Compacted ground does not open by itself.' },
    {
      when: [{ finding: 'probe.refusal', among: ['tight', 'very tight'] }],
      why: 'Where the rod stops, roots stop.',
    },
    {
      when: [{ finding: 'history.traffic', among: ['much'] }],
      why: 'Load presses the pores shut; push the penetrometer to see how far down.',
    },
    {
      when: [{ node: 'confinedRoots', standing: 'likely' }],
      why: 'Roots that stay in the ball need a way out of it.',
    },
    {
      when: [{ node: 'compaction', standing: 'possible' }],
      why: 'Measure how compacted the ground is, then decide.',
    },
    {
      when: [{ node: 'confinedHole', standing: 'possible' }],
      why: 'Feel for the wall of the hole first, then decide.',
    },
    {
      when: [{ node: 'confinedRoots', standing: 'possible' }],
      why: 'Look where the roots end first, then decide.',
    },
  ],
  bars: [{ when: [{ measured: 'soilLeft' }], why: 'Left by choice.' }],
  against: [],
  first: ['utilities', 'permits'],
  risks: ['Trenches through anchors or mains.', 'Open trenches left overnight.'],
  followUp: 'Top up where it settles; push the penetrometer again after two seasons.',
  weigh,
};
