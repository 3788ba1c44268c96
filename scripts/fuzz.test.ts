import { fuzz } from './fuzz/run';

test('files that no program would write are read or refused in words, by every importer', async () => {
  const { crashes, stopped, files } = await fuzz(400, 7);
  expect(files).toBe(400);
  expect(crashes.map((c) => [c.importer, c.error])).toEqual([]);
  expect(stopped.map((s) => s.importer)).toEqual([]);
});
