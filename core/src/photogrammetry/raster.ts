/** Pixels by row from above, four bytes each: red, green, blue, opacity. */
export interface Raster {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** Brightness by pixel, the weights of ITU-R BT.601. */
export function greyOf({ width, height, data }: Raster): Float32Array {
  const grey = new Float32Array(width * height);
  for (let i = 0; i < grey.length; i++)
    grey[i] = 0.299 * data[4 * i]! + 0.587 * data[4 * i + 1]! + 0.114 * data[4 * i + 2]!;
  return grey;
}

/** A picture of twice the size, pixels between drawn in straight lines. */
export function doubled({ width, height, data }: Raster): Raster {
  const layers = [0, 1, 2].map((c) =>
    Float32Array.from({ length: width * height }, (_, i) => data[4 * i + c]!),
  );
  const large = new Uint8ClampedArray(16 * width * height);
  for (let y = 0; y < 2 * height; y++)
    for (let x = 0; x < 2 * width; x++) {
      const at = 4 * (2 * y * width + x);
      for (let c = 0; c < 3; c++)
        large[at + c] = between(layers[c]!, width, height, (x + 0.5) / 2, (y + 0.5) / 2);
      large[at + 3] = 255;
    }
  return { width: 2 * width, height: 2 * height, data: large };
}

/** Sums over all pixels above and to the left, one row and column more. */
function summed(grey: Float32Array, width: number, height: number): Float64Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += grey[y * width + x]!;
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row;
    }
  }
  return sums;
}

/**
 * The same picture in even light: each pixel against the mean about it, so that what lies half in shade is seen whole.
 *
 * @param reach half the side of the square whose mean counts, pixels
 */
export function evened(raster: Raster, reach: number): Raster {
  const { width, height } = raster;
  const grey = greyOf(raster);
  const sums = summed(grey, width, height);
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - reach), Math.min(height, y + reach + 1)];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - reach), Math.min(width, x + reach + 1)];
      const w = width + 1;
      const sum =
        sums[bottom * w + right]! - sums[top * w + right]! - sums[bottom * w + left]! + sums[top * w + left]!;
      const mean = sum / ((bottom - top) * (right - left));
      const at = y * width + x;
      data[4 * at] = data[4 * at + 1] = data[4 * at + 2] = (110 * grey[at]!) / (mean + 6);
      data[4 * at + 3] = 255;
    }
  }
  return { width, height, data };
}

/** A picture of half the size, each pixel the mean of four. */
export function halved({ width, height, data }: Raster): Raster {
  const [w, h] = [width >> 1, height >> 1];
  const half = new Uint8ClampedArray(4 * w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++)
      for (let c = 0; c < 4; c++) {
        const at = 4 * (2 * y * width + 2 * x) + c;
        half[4 * (y * w + x) + c] =
          (data[at]! + data[at + 4]! + data[at + 4 * width]! + data[at + 4 * width + 4]!) / 4;
      }
  return { width: w, height: h, data: half };
}

/** Brightness between pixels; pixel centres are at halves. */
export function between(grey: Float32Array, width: number, height: number, x: number, y: number): number {
  const [px, py] = [x - 0.5, y - 0.5];
  const left = Math.min(width - 2, Math.max(0, Math.floor(px)));
  const top = Math.min(height - 2, Math.max(0, Math.floor(py)));
  const [fx, fy] = [Math.min(1, Math.max(0, px - left)), Math.min(1, Math.max(0, py - top))];
  const at = top * width + left;
  const above = grey[at]! * (1 - fx) + grey[at + 1]! * fx;
  const below = grey[at + width]! * (1 - fx) + grey[at + width + 1]! * fx;
  return above * (1 - fy) + below * fy;
}
