import type { Raster } from '@undrel/core/photogrammetry';

/**
 * The pixels of a picture that the server gives out.
 *
 * @throws where it is not there, or cannot be decoded
 */
export async function pixelsOf(url: string): Promise<Raster> {
  const answer = await fetch(url).catch(() => {
    throw new Error('No signal: the file of this picture is not reached. Try again.');
  });
  if (!answer.ok) throw new Error('The file of this picture is not here.');
  const image = await createImageBitmap(await answer.blob());
  const { width, height } = image;
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(image, 0, 0);
  image.close();
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}
