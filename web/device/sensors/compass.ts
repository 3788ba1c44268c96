import { headingOf } from '@undrel/core/geometry';

/** What a compass tells: degrees clockwise from magnetic north, and how far it may be out where the device says so. */
export interface Heading {
  heading: number;
  accuracy: number | undefined;
}

/** Without a word for so long there is no compass, ms. */
const SILENT = 3000;

interface Asked {
  requestPermission?: () => Promise<'granted' | 'denied'>;
}
interface WithCompass extends DeviceOrientationEvent {
  webkitCompassHeading?: number;
  webkitCompassAccuracy?: number;
}

/** A heading from what the device tells of how it is held; undefined where it does not know north. */
export function headingIn(event: WithCompass): Heading | undefined {
  const { webkitCompassHeading: told, webkitCompassAccuracy: accuracy, alpha, beta, gamma } = event;
  if (told !== undefined)
    return { heading: told, accuracy: accuracy !== undefined && accuracy > 0 ? accuracy : undefined };
  if (!event.absolute || alpha === null || beta === null || gamma === null) return undefined;
  return { heading: headingOf({ alpha, beta, gamma }), accuracy: undefined };
}

/**
 * Listens to the compass until what comes back is called. Must be called as something is pressed: some phones ask.
 *
 * @throws Error in words
 */
export async function watchCompass(
  onHeading: (heading: Heading) => void,
  onSilent: (why: string) => void,
): Promise<() => void> {
  if (typeof DeviceOrientationEvent === 'undefined') throw new Error('This device has no compass.');
  const { requestPermission } = DeviceOrientationEvent as unknown as Asked;
  if (requestPermission && (await requestPermission().catch(() => 'denied')) !== 'granted')
    throw new Error('The compass is not allowed for this page.');
  const silent = setTimeout(() => onSilent('This device tells no bearing: type it.'), SILENT);
  const hear = (event: Event) => {
    const heading = headingIn(event as WithCompass);
    if (!heading) return;
    clearTimeout(silent);
    onHeading(heading);
  };
  const kinds = ['deviceorientationabsolute', 'deviceorientation'];
  kinds.forEach((kind) => window.addEventListener(kind, hear));
  return () => {
    clearTimeout(silent);
    kinds.forEach((kind) => window.removeEventListener(kind, hear));
  };
}
