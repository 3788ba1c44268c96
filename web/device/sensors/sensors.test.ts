import { declinationAt, keepDeclination, keptDeclination } from './declination';
import { headingIn } from './compass';
import { inSun, watchLight } from './light';
import { pass } from '../../tests/pass';
import { readPosition } from './position';

type Heard = (position: { coords: { latitude: number; longitude: number; accuracy: number } }) => void;
type Failed = (error: { code: number }) => void;

/** A receiver that is told what to say. */
function receiver() {
  const told: { heard?: Heard; failed?: Failed; cleared: number } = { cleared: 0 };
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: {
      geolocation: {
        watchPosition: (heard: Heard, failed: Failed) => {
          Object.assign(told, { heard, failed });
          return 7;
        },
        clearWatch: () => told.cleared++,
      },
    },
  });
  return told;
}
const at = (accuracy: number, latitude = 51) => ({ coords: { latitude, longitude: 4, accuracy } });
const kept = new Map<string, string>();

beforeEach(() => {
  jest.useFakeTimers();
  kept.clear();
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: { getItem: (k: string) => kept.get(k) ?? null, setItem: (k: string, v: string) => kept.set(k, v) },
  });
});
afterEach(() => jest.useRealTimers());

const never = () => new AbortController().signal;

test('the best position of some seconds is taken, at once where it is good', async () => {
  const told = receiver();
  const better: number[] = [];
  const slow = readPosition((a) => better.push(a), never());
  for (const accuracy of [40, 12, 25]) told.heard!(at(accuracy, 50 + accuracy / 100));
  await pass(10_000);
  expect(await slow).toEqual({ latitude: 50.12, longitude: 4, accuracy: 12 });
  expect([better, told.cleared]).toEqual([[40, 12], 1]);
  const quick = readPosition(() => undefined, never());
  told.heard!(at(3));
  expect((await quick).accuracy).toBe(3);
});

test.each([1, 2, 3])('error %d of the receiver is said in words', async (code) => {
  const told = receiver();
  const read = readPosition(() => undefined, never());
  told.failed!({ code });
  await expect(read).rejects.toThrow([/not allowed/, /does not know/, /within 30 s/][code - 1]!);
});

test('a position too coarse to place a tree, none at all, and one no longer wanted come to nothing', async () => {
  const told = receiver();
  const coarse = readPosition(() => undefined, never());
  const said = expect(coarse).rejects.toThrow(
    /knows its position to \{M:250\.0*\} only; \{M:100\.0*\} or better/,
  );
  told.heard!(at(250));
  await pass(10_000);
  await said;
  const none = expect(readPosition(() => undefined, never())).rejects.toThrow('within 30 s');
  await pass(30_000);
  await none;
  const stop = new AbortController();
  const stopped = expect(readPosition(() => undefined, stop.signal)).rejects.toThrow('Stopped');
  stop.abort();
  await stopped;
  // An error after a first position does not take it away.
  const late = readPosition(() => undefined, never());
  told.heard!(at(15));
  told.failed!({ code: 2 });
  await pass(10_000);
  expect((await late).accuracy).toBe(15);
});

test('with the position comes the declination, as the World Magnetic Model has it', async () => {
  // Of the test values published with WMM2025 (NOAA NCEI and BGS): year, degrees, declination; at 3, 6 and 18 km, where it
  // differs from the ground's by less than a tenth.
  for (const [year, latitude, longitude, declination] of [
    [2025, -50, -103, 27.96],
    [2025.5, -36, -137, 20.28],
    [2025, 0, 21, 1.29],
  ] as const) {
    const on = new Date(Date.UTC(Math.floor(year), year % 1 ? 6 : 0, 1, 12));
    expect(
      Math.abs((await declinationAt({ latitude, longitude, accuracy: 0 }, on)) - declination),
    ).toBeLessThan(0.1);
  }
  // What was worked out is kept for the next bearing; a device that keeps nothing has it this once.
  const here = { latitude: 51, longitude: 4, accuracy: 3 };
  expect(keptDeclination()).toBeUndefined();
  const found = await keepDeclination(here);
  expect(keptDeclination()).toEqual(found);
  kept.set('undrel.declination', '{"degrees": "no');
  expect(keptDeclination()).toBeUndefined();
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    get: () => {
      throw new Error('shut');
    },
  });
  expect(await keepDeclination(here)).toEqual(found);
  expect(keptDeclination()).toBeUndefined();
});

test('a heading is what the phone says itself, or what follows from how it is held; without north there is none', () => {
  const held = (more: object) =>
    headingIn({ alpha: 90, beta: 0, gamma: 0, absolute: false, ...more } as DeviceOrientationEvent);
  expect(held({})).toBeUndefined();
  expect(held({ absolute: true })!.heading).toBeCloseTo(270, 6);
  expect(held({ absolute: true, beta: null })).toBeUndefined();
  expect(held({ webkitCompassHeading: 123, webkitCompassAccuracy: 15 })).toEqual({
    heading: 123,
    accuracy: 15,
  });
  expect(held({ webkitCompassHeading: 123, webkitCompassAccuracy: -1 })).toEqual({
    heading: 123,
    accuracy: undefined,
  });
});

test('the sun is told when it comes and when it goes, and not at every cloud or leaf between', () => {
  const told: boolean[] = [];
  const made: { illuminance: number; stopped?: true; dispatchEvent(event: Event): boolean }[] = [];
  class Sensor extends EventTarget {
    illuminance = 0;
    stopped?: true;
    constructor() {
      super();
      made.push(this);
    }
    start() {}
    stop() {
      this.stopped = true;
    }
  }
  Object.defineProperty(globalThis, 'AmbientLightSensor', { configurable: true, value: Sensor });
  const leave = watchLight((sun) => told.push(sun));
  const [light] = made;
  for (const lux of [300, 9_000, 22_000, 5_000, 60_000, 4_000, 1_200, 9_999]) {
    light!.illuminance = lux;
    light!.dispatchEvent(new Event('reading'));
  }
  expect(told).toEqual([true, false]);
  leave();
  expect(light!.stopped).toBe(true);
  // A sensor that may not be asked, and none at all: nothing is told, and nothing fails.
  Object.defineProperty(globalThis, 'AmbientLightSensor', {
    configurable: true,
    value: class {
      constructor() {
        throw new DOMException('not allowed', 'SecurityError');
      }
    },
  });
  watchLight(() => told.push(true))();
  Reflect.deleteProperty(globalThis, 'AmbientLightSensor');
  watchLight(() => told.push(true))();
  expect(told).toHaveLength(2);
});

test.each([
  [false, 9_999, false],
  [false, 10_000, true],
  [true, 4_000, true],
  [true, 3_999, false],
])('in the sun %s before, at %i lux: %s', (was, lux, is) => {
  expect(inSun(was, lux)).toBe(is);
});
