import { useBark } from './useBark';
import { usePot } from './usePot';

/** What is drawn on the plan of a dig beside its roots. */
export type Shape = 'bark' | 'pot';

/** The bark of the stem or the wall of the old pot, drawn on the plan with or without a picture beneath. */
export function useShapes(given: Parameters<typeof useBark>[0]) {
  const bark = useBark(given);
  const pot = usePot({ ...given, turn: given.reading.turn });
  const now = bark.drawing ? bark : pot;
  return {
    drawing: now.drawing,
    /** What to touch next, or why the last touch was refused. */
    says:
      now.refused ??
      (bark.drawing
        ? `Tap where the bark meets the ground, all round the stem: ${bark.places.length} so far.`
        : `Tap along the wall of the old pot, on every side of it: ${pot.places.length} so far.`),
    /** Places that were touched, metres east and north of the centre of the stem. */
    touched: now.drawing ? now.places : [],
    begin: (shape: Shape) => {
      (shape === 'bark' ? pot : bark).end();
      (shape === 'bark' ? bark : pot).begin();
    },
    end: () => {
      bark.end();
      pot.end();
    },
    touch: now.touch,
  };
}
