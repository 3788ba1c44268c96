/** Answers that cannot both be right. One of them was misread, or the tree is odd enough to be told about. */
export const EXCLUSIONS: readonly {
  one: readonly [finding: string, answers: readonly string[]];
  other: readonly [finding: string, answers: readonly string[]];
  why: string;
}[] = [
  {
    one: ['base.entry', ['flared']],
    other: ['probe.collar', ['very deep']],
    why: 'A flare in view on every side and a collar far below grade exclude each other: probe again, or the flare seen is that of roots grown later.',
  },
  {
    one: ['mulch.onBark', ['clear']],
    other: ['mulch.cone', ['cone']],
    why: 'Mulch that is clear of the bark is no cone.',
  },
  {
    one: ['history.soil', ['none']],
    other: ['probe.fill', ['some', 'much']],
    why: 'No soil was added as reported, yet the probe finds some: look for the old surface again, and ask again.',
  },
  {
    one: ['crown.pattern', ['none']],
    other: ['crown.dieback', ['much']],
    why: 'There is much dieback, yet its pattern was noted as none.',
  },
  {
    one: ['base.girdling', ['pressing', 'embedded']],
    other: ['dig.girdled', ['none']],
    why: 'A root presses into the stem in view, yet the dig holds none that does: draw it.',
  },
  {
    one: ['base.adventitious', ['none']],
    other: ['dig.mat', ['mat']],
    why: 'No roots from the buried stem were seen, yet the dig holds many.',
  },
  {
    one: ['crown.neighbours', ['all']],
    other: ['history.cohort', ['fine']],
    why: 'All its neighbours suffer, yet the trees planted with it do well: are they not the same trees?',
  },
  {
    one: ['probe.moisture', ['dry']],
    other: ['probe.drain', ['standing']],
    why: 'Dry soil and water that stands overnight: one holds for the hole, the other for the ground.',
  },
  {
    one: ['crown.growing', ['no']],
    other: ['crown.extension', ['held']],
    why: 'It does not grow, as noted, yet its shoots are as long as before: is it the same tree?',
  },
  {
    one: ['base.sinks', ['deep']],
    other: ['base.sound', ['none']],
    why: 'A probe sinks far in, yet the base sounds solid: sound it again beside the hole.',
  },
  {
    one: ['base.graft', ['buried']],
    other: ['base.entry', ['flared']],
    why: 'The graft union is in the ground, yet the flare is in view all round: one of the two is something else.',
  },
  {
    one: ['dig.anchors', ['round']],
    other: ['base.push', ['rocks', 'lifts']],
    why: 'Sound anchors all round, yet the base rocks: what broke lies beyond the pit.',
  },
];
