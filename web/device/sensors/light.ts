/**
 * From so much light on a screen is read in the sun, lux, and back again below the other; between the two it stays as it is,
 * or it would change to and fro under a crown. Full daylight is 10,000 to 25,000 (common practice, no source). Judgement.
 */
const SUN = { from: 10_000, until: 4_000 };

/** Whether one stands in the sun, by what was so before. */
export const inSun = (was: boolean, lux: number): boolean => (was ? lux >= SUN.until : lux >= SUN.from);

interface LightSensor extends EventTarget {
  readonly illuminance: number | null;
  start(): void;
  stop(): void;
}
type Makes = new (options: { frequency: number }) => LightSensor;

const sensor = (): Makes | undefined => (globalThis as { AmbientLightSensor?: Makes }).AmbientLightSensor;

/** Whether this browser has a light sensor to ask. */
export const hasLight = (): boolean => sensor() !== undefined;

/** Tells whether one stands in the sun, each time that changes. @returns ends it */
export function watchLight(onSun: (sun: boolean) => void): () => void {
  const Sensor = sensor();
  if (!Sensor) return () => undefined;
  let sun = false;
  try {
    const light = new Sensor({ frequency: 1 });
    const read = () => {
      const now = inSun(sun, light.illuminance ?? 0);
      if (now !== sun) onSun((sun = now));
    };
    light.addEventListener('reading', read);
    light.start();
    return () => {
      light.removeEventListener('reading', read);
      light.stop();
    };
  } catch {
    // Not allowed on this page, or by whoever looks after the device: the theme is chosen by a tap.
    return () => undefined;
  }
}
