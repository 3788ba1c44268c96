import { jest } from '@jest/globals';
import { Piscina } from 'piscina';
import { projectFile } from '../work/paper/projectFile';

test('a thread that cannot get ready does its work all the same', async () => {
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const pool = new Piscina({
    filename: projectFile('web', 'dist', 'entry.mjs'),
    workerData: { ready: 'noSuchWork' },
    maxThreads: 1,
  });
  try {
    expect(await pool.run({ task: 'trees', given: new TextEncoder().encode('label\nOak 1\n') })).toBeTruthy();
  } finally {
    await pool.destroy();
    said.mockRestore();
  }
});
