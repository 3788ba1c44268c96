import fc from 'fast-check';
import { anyCase, tries } from '../../core/tests/anyCase';
import { caseOf } from '@undrel/core/format';
import type { Tree, TreeEvent } from '@undrel/core/records';
import { paperOf } from './document';
import { holdsLargeDig, isLargeDig } from './heavy';
import { itemsBelow, itemsOf, visitFrom, type Item } from './item';
import { may, ROLES } from './roles';

const ids = () => {
  let n = 0;
  return () => `i${n++}`;
};

test('any case comes apart into items, each by itself, and together again', () => {
  const kinds = new Set<string>();
  fc.assert(
    fc.property(anyCase, (file) => {
      const items = itemsOf(file, 'grounds', ids());
      expect(new Set(items.map((i) => i.id)).size).toBe(items.length);
      for (const { kind } of items) kinds.add(kind);
      const [tree] = items;
      const visits = itemsBelow(items, 'visit', tree!.id).map((v) => visitFrom(items, v));
      const events = itemsBelow(items, 'event', tree!.id).map((e) => e.values as TreeEvent);
      expect(caseOf(tree!.values as Tree, events, visits, file.weather, file.site)).toEqual(file);
      // Every item hangs on one that is there, the tree on its grounds.
      const there = new Set(['grounds', ...items.map((i) => i.id)]);
      for (const item of items) expect(there).toContain(item.parent);
    }),
    tries(150),
  );
  expect(kinds.size).toBeGreaterThan(8);
});

test('what is deleted is below nothing, and takes no part in the visit', () => {
  const visit: Item = { kind: 'visit', id: 'v', parent: 't', version: 1, values: { date: '2026-05-01' } };
  const finding = (id: string, values: { key: string; answer: string } | null): Item =>
    ({ kind: 'finding', id, parent: 'v', version: 1, values }) as Item;
  const items = [visit, finding('a', { key: 'base.push', answer: 'none' }), finding('b', null)];
  expect(itemsBelow(items, 'finding', 'v').map((i) => i.id)).toEqual(['a']);
  expect(visitFrom(items, { id: 'v', values: visit.values as { date: string } }).findings).toHaveLength(1);
  expect(itemsBelow(items, 'finding', 'other')).toEqual([]);
});

test('a dig is large by its readings, in one visit and not over several', () => {
  const root = (label: string, points: number) => ({
    label,
    kind: 'structural' as const,
    start: 'stem' as const,
    points: Array.from({ length: points }, (_, i) => ({
      bearing: 0,
      distance: 0.01 * i,
      depth: 0.1,
      diameter: 0.02,
    })),
  });
  const half = [root('A', 500)];
  expect([isLargeDig([...half, root('B', 500)]), isLargeDig([...half, root('B', 501)])]).toEqual([
    false,
    true,
  ]);
  const item = (visit: string, n: number): Item => ({
    kind: 'root',
    id: `${visit}${n}`,
    parent: visit,
    version: 1,
    values: root(String(n), 501),
  });
  expect(holdsLargeDig([item('v', 1), item('w', 2)])).toBe(false);
  expect(holdsLargeDig([item('v', 1), item('v', 2)])).toBe(true);
  expect(holdsLargeDig([item('v', 1), { ...item('v', 2), values: null } as Item])).toBe(false);
});

test('crew measure, consultants judge, owners manage, readers read', () => {
  const table = Object.fromEntries(
    ROLES.map((role) => [role, (['measure', 'judge', 'manage'] as const).filter((deed) => may(role, deed))]),
  );
  expect(table).toEqual({
    owner: ['measure', 'judge', 'manage'],
    consultant: ['measure', 'judge'],
    crew: ['measure'],
    reader: [],
  });
  expect([paperOf('metric'), paperOf('us')]).toEqual(['A4', 'letter']);
});
