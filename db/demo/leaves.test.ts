import { LIMITS } from '@undrel/core/practice';
import { readMarkers } from '@undrel/core/markers';
import {
  darkGreen,
  hsb,
  leafColourOf,
  planeOfCards,
  type LeafColour,
  type Raster,
} from '@undrel/core/photogrammetry';
import { LEAF_TONES, leafPhotograph, type LeafShot } from './leaves';

/** As small as a sheet that fills half of a picture of a phone would be without need. */
const SIZE = { width: 640, height: 480 };

const measured = (raster: Raster): LeafColour | { problem: string } => {
  const plane = planeOfCards(raster, readMarkers(raster));
  return 'problem' in plane ? plane : leafColourOf(raster, plane);
};
const told = (shot: LeafShot): string => {
  const found = measured(leafPhotograph({ size: SIZE, ...shot }).raster);
  return 'problem' in found ? found.problem : 'measured';
};

test('the index by Karcher and Richardson 2003: hue 90, saturation 0.5, brightness 0.4 is 0.533 @whole', () => {
  const colour = [76.5, 102, 51] as const;
  expect(hsb(colour)).toEqual({ hue: 90, saturation: 0.5, brightness: 0.4 });
  expect(darkGreen(colour)).toBeCloseTo(0.533, 3);
});

test('leaves in any light: the index within 0.05 of the truth, and paler ones are told from green ones @whole', () => {
  const lights = [undefined, [1, 0.86, 0.66], [0.6, 0.66, 0.8]] as const;
  const found = new Map<string, number[]>();
  for (const [n, [name, colour]] of Object.entries(LEAF_TONES).entries())
    for (const [i, light] of lights.entries()) {
      // Each tone in two of the three lights.
      if (i === n) continue;
      const { raster, index } = leafPhotograph({
        size: SIZE,
        colour,
        seed: 10 * i + 3,
        tilt: 8 * i,
        ...(light && { light }),
      });
      const read = measured(raster);
      if ('problem' in read) throw new Error(`${name}, light ${i}: ${read.problem}`);
      expect(read.leaves).toBe(7);
      expect(Math.abs(read.index - index)).toBeLessThan(0.05);
      expect(read.error).toBeLessThan(0.06);
      found.set(name, [...(found.get(name) ?? []), read.index]);
    }
  expect(Math.max(...found.get('pale')!)).toBeLessThan(Math.min(...found.get('green')!) - 0.06);
});

test('veins that stay green while the blade pales stand out by as much as they do; in green and evenly pale leaves they do not @whole', () => {
  const of = (shot: Omit<LeafShot, 'seed'>, seed: number) => {
    const read = measured(leafPhotograph({ size: SIZE, tilt: 10, ...shot, seed }).raster);
    if ('problem' in read) throw new Error(read.problem);
    return read.veins;
  };
  const { green, pale, dark } = LEAF_TONES;
  const light = [1, 0.88, 0.7] as const;
  for (const colour of [green, pale, dark]) {
    const { index, error } = of({ colour }, 21);
    expect(index).toBeLessThan(LIMITS.veinsGreener.value - 2 * error);
  }
  for (const veins of [green, dark])
    for (const more of [{}, { light }]) {
      const { index, error } = of({ colour: pale, veins, ...more }, 22);
      // The vein is two or three pixels wide: what is seen of it is mixed with the blade, and no more than there is.
      const is = darkGreen(veins) - darkGreen(pale);
      expect(index).toBeGreaterThan(LIMITS.veinsGreener.value + 2 * error);
      expect(index).toBeGreaterThan(0.5 * is);
      expect(index).toBeLessThan(is + 0.05);
    }
});

test('what makes it worthless is said: half in shade, too dark, burnt out, too few leaves, no sheet @whole', () => {
  const colour = LEAF_TONES.green;
  expect(told({ colour, seed: 4, light: [0.15, 0.15, 0.15] })).toMatch(/too dark/);
  expect(told({ colour, seed: 5, light: [1.3, 1.3, 1.3] })).toMatch(/burnt out/);
  expect(told({ colour, seed: 6, leaves: 2 })).toMatch(/Leaves found: 2; at least 3/);
  expect(told({ colour, seed: 9, shade: 0.6 })).toMatch(/uneven|lies over them/);
  expect(told({ colour, seed: 7, tilt: 70 })).toMatch(/No card|not found|outside/);
});
