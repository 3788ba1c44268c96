import type { NetworkFinding } from '../judgement';

/** What the rod tells of collar and old grade. */
export const PROBE_FINDINGS: readonly NetworkFinding[] = [
  {
    key: 'probe.collar',
    station: 'probe',
    about: 'the depth of the collar below present grade',
    answers: [
      ['shallow', 'first roots where they belong'],
      ['deep', 'first roots too deep'],
      ['very deep', 'first roots far too deep'],
    ],
    leak: { deep: 'seldom', 'very deep': 'hardly ever' },
    links: [
      {
        of: 'plantedDeep',
        makes: { deep: 'often', 'very deep': 'sometimes' },
        why: 'What is planted deep stays deep.',
      },
      {
        of: 'gradeRaised',
        makes: { deep: 'often', 'very deep': 'often' },
        why: 'Soil over the old grade leaves the collar deep.',
      },
    ],
    minutes: 12,
    tools: 'rod',
  },
  {
    key: 'probe.planted',
    station: 'probe',
    about: 'the depth of the collar below the original grade',
    answers: [
      ['fair', 'planted at a fair height'],
      ['deep', 'planted too deep'],
      ['very deep', 'planted far too deep'],
    ],
    leak: { deep: 'seldom' },
    links: [
      {
        of: 'plantedDeep',
        makes: { deep: 'often', 'very deep': 'sometimes' },
        why: 'Depth below the original grade is what planting decided.',
      },
    ],
    minutes: 15,
    tools: 'rod, soil probe',
  },
  {
    key: 'probe.oldGrade',
    station: 'probe',
    about: 'an old turf layer or bark line below grade',
    answers: [
      ['none', 'no old turf or bark line below grade'],
      ['seen', 'an old turf layer or bark line lies below grade'],
    ],
    leak: { seen: 'hardly ever' },
    links: [{ of: 'gradeRaised', makes: { seen: 'often' }, why: 'The old surface is still down there.' }],
    minutes: 5,
    tools: 'soil probe',
  },
];
