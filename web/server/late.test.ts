import { isLate, lateSignal } from './late';

test('work is late when it has had its seconds of the processors, not when others held them', () => {
  expect(isLate({ clock: 14, processor: 40 }, 15)).toBe(false);
  expect(isLate({ clock: 15, processor: 15 }, 15)).toBe(true);
  // A machine that does three other things: of 30 s by the clock 8 s of work.
  expect(isLate({ clock: 30, processor: 8 }, 15)).toBe(false);
  expect(isLate({ clock: 60, processor: 15.1 }, 15)).toBe(true);
  // Work that gets no processor at all is not waited for without end.
  expect(isLate({ clock: 90, processor: 0.1 }, 15)).toBe(true);
});

test('a signal ends work that keeps the processor busy, and none after it is done', async () => {
  const busy = (ms: number) => {
    const end = performance.now() + ms;
    while (performance.now() < end) Math.sqrt(2);
  };
  const watched = lateSignal(0.05);
  const over = lateSignal(0.05);
  over.done();
  busy(400);
  await new Promise((done) => setTimeout(done, 300));
  watched.done();
  expect([watched.signal.aborted, over.signal.aborted]).toEqual([true, false]);
});
