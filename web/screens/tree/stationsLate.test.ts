import { readFileSync } from 'node:fs';

test('each part that comes late is fetched while the page is at rest as well', () => {
  const source = readFileSync(new URL('./stationsLate.tsx', import.meta.url), 'utf8');
  const [shown, fetched] = source.split('const CODE =');
  const named = (text: string) => [...text.matchAll(/import\('([^']+)'\)/g)].map(([, path]) => path).sort();
  expect(named(shown!).length).toBeGreaterThan(10);
  expect(named(fetched!)).toEqual(named(shown!));
});
