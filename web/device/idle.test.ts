import { pass } from '../tests/pass';

test('what is fetched at rest begins one after the other, each in a pause of its own and a while apart, and one that fails stops none', async () => {
  const pauses: (() => void)[] = [];
  const requestIdleCallback = (call: () => void) => pauses.push(call);
  Object.assign(globalThis, { window: { requestIdleCallback }, requestIdleCallback });
  const { beginInTurn } = await import('./idle');
  const begun: number[] = [];
  const never = new Promise<never>(() => undefined);
  beginInTurn(() => (begun.push(1), never));
  beginInTurn(() => (begun.push(2), Promise.reject(new Error('no signal'))));
  beginInTurn(() => (begun.push(3), Promise.resolve()));
  jest.useFakeTimers();
  try {
    for (const sofar of [[], [1], [1, 2]]) {
      await pass(0);
      expect([begun, pauses.length]).toEqual([sofar, 1]);
      pauses.shift()!();
      await pass(200);
      expect(pauses).toHaveLength(0);
      await pass(100);
    }
    expect(begun).toEqual([1, 2, 3]);
    await pass(1000);
    expect(pauses).toHaveLength(0);
  } finally {
    jest.useRealTimers();
  }
});

test('where the browser does not tell of a pause, a little time is let pass', async () => {
  Object.assign(globalThis, { window: {} });
  const { idle } = await import('./idle');
  const begun = performance.now();
  await idle();
  expect(performance.now() - begun).toBeGreaterThan(150);
});
