test('what is fetched at rest begins one after the other, each in a pause of its own, and one that fails stops none', async () => {
  const pauses: (() => void)[] = [];
  const requestIdleCallback = (call: () => void) => pauses.push(call);
  Object.assign(globalThis, { window: { requestIdleCallback }, requestIdleCallback });
  const { beginInTurn } = await import('./idle');
  const begun: number[] = [];
  const never = new Promise<never>(() => undefined);
  beginInTurn(() => (begun.push(1), never));
  beginInTurn(() => (begun.push(2), Promise.reject(new Error('no signal'))));
  beginInTurn(() => (begun.push(3), Promise.resolve()));
  const settled = () => new Promise((go) => setImmediate(go));
  for (const sofar of [[], [1], [1, 2], [1, 2, 3]]) {
    await settled();
    expect(begun).toEqual(sofar);
    pauses.shift()?.();
  }
  await settled();
  expect(pauses).toHaveLength(0);
});

test('where the browser does not tell of a pause, a little time is let pass', async () => {
  Object.assign(globalThis, { window: {} });
  const { idle } = await import('./idle');
  const begun = performance.now();
  await idle();
  expect(performance.now() - begun).toBeGreaterThan(150);
});
