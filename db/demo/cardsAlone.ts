import type { Raster } from '@undrel/core/photogrammetry';
import sharp from 'sharp';
import { cameraFrom, rendered, type LaidCard } from './renderer';
import { variation } from './series';

/** A made-up picture of cards alone on the ground, as a lens has it: tilted by up to 40 degrees, blurred, in half shade, noisy. */
export async function cardsAlone(n: number): Promise<{ cards: LaidCard[]; raster: Raster }> {
  const vary = variation(97 * n + 3);
  const tilt = (40 * (n % 9)) / 8;
  const high = 1.15 + vary(0.25);
  const away = high * Math.tan((tilt * Math.PI) / 180);
  const from = (n * 77 * Math.PI) / 180;
  const cards = [0, 1, 2, 3].map((i): LaidCard => {
    const turn = ((i * 90 + 40 + vary(20)) * Math.PI) / 180;
    const out = 0.27 + vary(0.05);
    return { id: i + 1, at: [out * Math.sin(turn), out * Math.cos(turn)], towards: vary(180) };
  });
  const camera = cameraFrom(
    [away * Math.sin(from), away * Math.cos(from), high],
    [vary(0.05), vary(0.05), 0],
    {
      bend: vary(0.06),
      focal: 0.75 + vary(0.08),
      roll: vary(30),
    },
  );
  const raster = rendered(
    { roots: [], pit: 0, floor: 0, cards },
    { camera, width: 960, height: 720, noise: 6, shade: 0.5, seed: n },
  );
  const { width, height, data } = raster;
  const soft = await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } })
    .blur(0.6 + 0.9 * Math.abs(vary(1)))
    .raw()
    .toBuffer();
  return { cards, raster: { width, height, data: new Uint8ClampedArray(soft) } };
}
