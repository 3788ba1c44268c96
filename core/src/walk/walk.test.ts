import type { Finding, Tree, Visit } from '../records';
import { verdictOf } from '../diagnosis';
import { profileOf } from '../profile';
import { byUrgency, QUICK_LOOKS, triage, visitToJudge, withLaterDanger, withWalk } from './index';

const tree: Tree = { label: 'T', species: 'x', plantedYear: 2014 };
const looked = (answers: Record<string, string>, of: Tree = tree) => {
  const findings = Object.entries(answers).map(([key, answer]): Finding => ({ key, answer }));
  const visit: Visit = { date: '2026-06-01', findings, profiles: [], probes: [], decisions: [] };
  return triage(verdictOf(of, [], visit, profileOf(of, visit)));
};
const FINE = Object.fromEntries(QUICK_LOOKS.map((q) => [q.key, q.answers[0]!.key]));

test('eight looks, each read by the verdict, the first answer nothing to see', () => {
  expect(QUICK_LOOKS).toHaveLength(8);
  const findings = Object.entries(FINE).map(([key, answer]): Finding => ({ key, answer }));
  const visit: Visit = { date: '2026-06-01', findings, profiles: [], probes: [], decisions: [] };
  const { evidence } = verdictOf(tree, [], visit, profileOf(tree, visit));
  expect(evidence).toHaveLength(8);
  expect(evidence.every((e) => e.agrees[0] === 1)).toBe(true);
});

// Common practice, no source.
test('nothing seen is nothing to do; not examined says so', () => {
  expect(looked(FINE).urgency).toBe('fine');
  expect(looked(FINE, { ...tree, stock: 'container' }).urgency).toBe('fine');
  expect(looked({ ...FINE, 'crown.colour': 'pale' }).urgency).toBe('look');
  expect(looked({ 'look.flare': 'flared' }).urgency).toBe('look');
  expect(looked({}).urgency).toBe('unseen');
});

test('what may fall comes first, then what can be mended, then what is not known', () => {
  const falls = looked({ ...FINE, 'base.lean': 'lifted', 'base.conks': 'many' });
  const cone = looked({ ...FINE, 'look.mulch': 'high' });
  const post = looked({ 'look.flare': 'straight' });
  expect(falls.urgency).toBe('now');
  expect(cone).toMatchObject({ urgency: 'season', action: 'pull back the mulch' });
  expect(post).toMatchObject({
    urgency: 'season',
    action: 'have its stability assessed, then lay the collar open',
  });
  const order = [looked(FINE), cone, falls, looked({})].sort(byUrgency).map((t) => t.urgency);
  expect(order).toEqual(['now', 'season', 'fine', 'unseen']);
});

test('a walk-round adds to the visit before it and replaces nothing but what it examined', () => {
  const visit = (date: string, findings: Finding[], more: Partial<Visit> = {}): Visit => ({
    date,
    findings,
    profiles: [],
    probes: [],
    decisions: [],
    ...more,
  });
  const full = visit('2026-05-01', [
    { key: 'base.conks', answer: 'none' },
    { key: 'probe.drain', answer: 'standing' },
  ]);
  const walk = visit('2026-09-01', [{ key: 'base.conks', answer: 'many' }], { walk: true });
  expect(visitToJudge([walk, full])).toBe(full);
  expect(visitToJudge([walk])).toBe(walk);
  const probed = {
    ...walk,
    probes: [{ bearing: 0, distance: 0.1, depth: 0.2, found: 'root', from: 'grade' } as const],
  };
  expect(visitToJudge([probed, full])).toBe(probed);
  const evidence = (v: Visit) => verdictOf(tree, [], v, profileOf(tree, v)).evidence;
  expect(withWalk(evidence(walk), evidence(full)).map((e) => [e.key, e.answer])).toEqual([
    ['base.conks', 'many'],
    ['probe.drain', 'standing'],
  ]);
});

test('a sign of danger seen on a round after the visit stands in the visit; a round that saw none changes nothing', () => {
  const full: Visit = {
    date: '2026-05-01',
    findings: [{ key: 'base.conks', answer: 'none' }],
    profiles: [{ bearing: 0, mulch: [], fill: [] }],
    probes: [],
    decisions: [],
  };
  const round = (date: string, answer: string): Visit => ({
    date,
    walk: true,
    findings: [
      { key: 'base.conks', answer },
      { key: 'look.density', answer: 'thin' },
    ],
    profiles: [],
    probes: [],
    decisions: [],
  });
  const danger = (...visits: Visit[]) => {
    const visit = withLaterDanger(full, [full, ...visits]);
    return verdictOf(tree, [], visit, profileOf(tree, visit)).danger?.signs.length ?? 0;
  };
  expect(danger(round('2026-08-01', 'many'))).toBe(1);
  expect(danger(round('2026-04-01', 'many'))).toBe(0);
  expect(withLaterDanger(full, [full, round('2026-08-01', 'none')])).toBe(full);
});
