import { pass } from '../tests/pass';
import { watchHand } from './hand';

/** A hand on a page with its own clock. */
function onPage() {
  const listeners: (() => void)[] = [];
  const hand = watchHand({
    addEventListener: (_: string, heard: unknown) => listeners.push(heard as () => void),
  });
  return { ...hand, press: () => listeners.forEach((heard) => heard()) };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('where nothing was pressed, a hand is at rest', async () => {
  let rests = false;
  void onPage()
    .atRest(performance.now() + 10_000)
    .then(() => (rests = true));
  await pass(0);
  expect(rests).toBe(true);
});

test('a hand that presses one thing after the other is at rest a while after the last', async () => {
  const hand = onPage();
  hand.press();
  let rests = false;
  void hand.atRest(performance.now() + 10_000).then(() => (rests = true));
  await pass(1000);
  hand.press();
  await pass(1000);
  expect(rests).toBe(false);
  await pass(300);
  expect(rests).toBe(true);
});

test('who waits for a hand that never rests goes on in the end', async () => {
  const hand = onPage();
  hand.press();
  let goes = false;
  void hand.atRest(performance.now() + 10_000).then(() => (goes = true));
  for (let seconds = 0; seconds < 9.5; seconds += 0.5) {
    hand.press();
    await pass(500);
  }
  expect(goes).toBe(false);
  hand.press();
  await pass(600);
  expect(goes).toBe(true);
});
