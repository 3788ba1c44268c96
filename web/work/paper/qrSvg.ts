import QRCode from 'qrcode';

/**
 * A text as a QR code, one unit a module with its quiet rim.
 *
 * @param correction how much of it may be lost: M 15%, Q 25% (ISO/IEC 18004)
 */
export function qrSvg(text: string, correction: 'M' | 'Q', ink: string): string {
  const { size, data } = QRCode.create(text, { errorCorrectionLevel: correction }).modules;
  const dark = Array.from({ length: size * size }, (_, i) =>
    data[i] ? `M${i % size} ${Math.floor(i / size)}h1v1h-1z` : '',
  );
  const rim = `x="-4" y="-4" width="${size + 8}" height="${size + 8}"`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-4 -4 ${size + 8} ${size + 8}" shape-rendering="crispEdges"><rect ${rim} fill="#fff"/><path d="${dark.join('')}" fill="${ink}"/></svg>`;
}
