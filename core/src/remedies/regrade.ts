import { amount } from '../weighing/amounts';
import { longMark } from '../units/marks';
import { bowl, dugOut } from '../weighing/bowl';
import { limit, type Situation, type Weighed } from '../weighing/operation';
import type { Remedy } from '../weighing/remedy';
import { orNothing, type Ruled } from '../weighing/ruled';

/** A wide, gentle fall in place of the steep side of the bowl, where the collar lies too deep for one. */
function weigh(s: Situation, { advice, why }: Ruled): Weighed {
  const dug = dugOut(s);
  const wide = dug && bowl(dug.depths, dug.stemRadius, limit('workingRoom'), limit('regradeRun'));
  const soil = wide && Math.max(0, wide.volume - dug.bowl.volume);
  return {
    key: 'regrade',
    title: 'Wider regrade',
    advice,
    summary: orNothing(
      advice,
      wide
        ? `Ground falls gently from ${longMark(wide.outerRadius)} out to the floor of the bowl, 1 in ${limit('regradeRun')}.`
        : '',
    ),
    why,
    quantities:
      advice === 'not' || !wide
        ? []
        : [
            amount(
              'regradeRadius',
              wide.outerRadius,
              'long length',
              'stem radius + working room + run × depth',
              [
                { name: 'stem radius', value: dug.stemRadius, dimension: 'short length' },
                { name: 'working room', value: limit('workingRoom'), dimension: 'short length' },
                { name: 'run for each unit of depth', value: limit('regradeRun'), dimension: 'ratio' },
                { name: 'mean depth', value: dug.floor, dimension: 'short length' },
              ],
            ),
            amount('soilToTakeOut', soil!, 'volume', 'the wide bowl less the steep one', [
              { name: 'wide bowl', value: wide.volume, dimension: 'volume' },
              { name: 'root collar excavation', value: dug.bowl.volume, dimension: 'volume' },
            ]),
            amount('spoilHeap', soil! * limit('soilSwell'), 'volume', 'soil × swell', [
              { name: 'swell', value: limit('soilSwell'), dimension: 'ratio' },
            ]),
            amount(
              'crewHours',
              limit('setUpHours') + soil! / limit('airRate'),
              'hours',
              'set-up + soil / rate of the air tool',
              [
                { name: 'set-up', value: limit('setUpHours'), dimension: 'hours' },
                { name: 'rate, m³ an hour', value: limit('airRate'), dimension: 'ratio' },
              ],
            ),
            amount('airTool', soil! / limit('airRate'), 'hours', 'soil / rate of the tool', [
              { name: 'rate, m³ an hour', value: limit('airRate'), dimension: 'ratio' },
            ]),
          ],
    method: [
      'From the bowl outward with air or by hand; no machine drives over the root zone.',
      'Stop at the old surface: the change of colour, an old turf layer. Roots of the tree stay whole.',
      'Shape the fall so that water passes the stem by; the edge meets the ground without a step.',
    ],
    cautions: [
      'Locate buried utilities before any digging.',
      'Fence the open ground until it is mulched or sown.',
    ],
    acceptance: [
      'No step and no hollow under a long straight stick; a bucket poured at the edge passes the stem.',
    ],
    schools: [],
    season: 'Frost-free, not waterlogged; before winter rain or after it.',
    missing: advice === 'not' || wide ? [] : ['probe points', 'stem diameter'],
  };
}

export const regrade: Remedy = {
  treats: ['gradeRaised', 'oxygenStarved'],
  settles: [],
  do: [],
  option: [
    {
      when: [{ measured: 'beyondABowl' }],
      why: 'So deep a bowl is a pit; a wide, gentle fall can be mown and drains.',
    },
  ],
  bars: [{ when: [{ planned: 'reset' }], why: 'A tree that is lifted needs no lower ground.' }],
  against: [
    {
      when: [{ planned: 'treeWell' }],
      why: 'A well holds the grade that a regrade takes away: one or the other.',
    },
  ],
  first: ['utilities', 'permits'],
  risks: ['Roots that grew up into the fill are lost with it.', 'Water of the whole slope runs to the stem.'],
  followUp: 'Look after the first heavy rain; sow or mulch the slope before winter.',
  weigh,
};
