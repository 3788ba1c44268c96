import { layerDepths } from '@undrel/core/photogrammetry';
import { SOIL_LOGS } from './soilLogs';
import { facePhotograph } from './soilFace';

test('layers of every hole, touched on a picture of its face, end where they are: within the ± that is told', () => {
  const holes = Object.values(SOIL_LOGS).flat();
  expect(holes.length).toBeGreaterThan(3);
  for (const tilt of [0, 6, 12])
    for (const { layers } of holes) {
      const photo = facePhotograph(layers, { tilt, seed: 3, width: 300, height: 400 });
      const read = layerDepths(photo.raster, { of: 'rod', ...photo.tape }, photo.face);
      if ('problem' in read) throw new Error(read.problem);
      expect(read).toHaveLength(layers.length);
      read.forEach(({ value, plusMinus }, i) => {
        expect(Math.abs(value - layers[i]!.to)).toBeLessThan(plusMinus);
      });
    }
});
