import fc from 'fast-check';
import { afterBuild, EARLIER_MS, notedFrom } from './filesHere';

test('a file stays for its days after the first build without it, then it goes; one that comes back is counted anew', () => {
  const first = afterBuild(['/a', '/b'], ['/b'], {}, 1000);
  expect(first).toEqual({ left: { '/a': 1000 }, gone: [] });
  expect(afterBuild(['/a', '/b'], ['/b'], first.left, 1000 + EARLIER_MS)).toEqual({
    left: { '/a': 1000 },
    gone: [],
  });
  expect(afterBuild(['/a', '/b'], ['/b'], first.left, 1001 + EARLIER_MS)).toEqual({ left: {}, gone: ['/a'] });
  const back = afterBuild(['/a', '/b'], ['/a', '/b'], first.left, 2000);
  expect(back).toEqual({ left: {}, gone: [] });
  expect(afterBuild(['/a', '/b'], ['/b'], back.left, 3000).left).toEqual({ '/a': 3000 });
});

test('of any builds one after the other no file of the newest goes, and none that was of a build within its days', () => {
  const files = fc.subarray(['/a', '/b', '/c', '/d', '/e']);
  const builds = fc.array(fc.record({ build: files, days: fc.integer({ min: 0, max: 90 }) }), {
    minLength: 1,
    maxLength: 12,
  });
  fc.assert(
    fc.property(builds, (steps) => {
      let now = 0;
      let here = new Set<string>();
      let left: Record<string, number> = {};
      const lastOf = new Map<string, number>();
      for (const { build, days } of steps) {
        // A file of a build was of use until the next build came.
        for (const file of here) if (!(file in left)) lastOf.set(file, now + days * 86_400_000);
        now += days * 86_400_000;
        here = new Set([...here, ...build]);
        const after = afterBuild([...here], build, left, now);
        for (const file of after.gone) {
          expect(build).not.toContain(file);
          expect(now - lastOf.get(file)!).toBeGreaterThan(EARLIER_MS);
          here.delete(file);
        }
        ({ left } = after);
        expect(Object.keys(left).every((file) => here.has(file) && !build.includes(file))).toBe(true);
        expect([...here].filter((file) => !(file in left)).sort()).toEqual([...build].sort());
      }
    }),
  );
});

test('a note of any make is read: as it was once, as it is, and broken', () => {
  expect(notedFrom(['/a', 3])).toEqual({ prepared: ['/a'], left: {} });
  const noted = { prepared: ['/a'], left: { '/b': 5 } };
  expect(notedFrom(noted)).toEqual(noted);
  expect(notedFrom({ prepared: 'no', left: { '/b': 'then' } })).toEqual({ prepared: [], left: {} });
  expect(notedFrom(undefined)).toEqual({ prepared: [], left: {} });
});
