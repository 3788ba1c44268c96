import { OPERATION_KEYS, operationOf } from '../vocabulary';
import { schemaOf } from './schemas';

const of = (step: string) =>
  schemaOf('picture').safeParse({ hash: 'a'.repeat(64), width: 4, height: 3, on: '2026-05-06', step });

test('a picture proves any step of any order, and its later stages; what is no step is refused', () => {
  for (const operation of OPERATION_KEYS)
    for (const step of [operation, `${operation}-2`, `${operation}-5`]) {
      expect([step, of(step).success]).toEqual([step, true]);
      expect(operationOf(step)).toBe(operation);
    }
  for (const step of ['', 'Excavate', 'a b', 'prune-9', '-2'])
    expect([step, of(step).success]).toEqual([step, false]);
});
