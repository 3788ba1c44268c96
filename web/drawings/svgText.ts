import { INK } from './inks';
import { pathOf, segmentsPath, type Drawing, type Shape } from './shapes';

/** Letters of a drawing where the typeface is there, else what the reader has. */
export const TYPEFACE = 'Atkinson Hyperlegible Next';
const FIGURES = 'Spline Sans Mono';

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

function element(shape: Shape): string {
  switch (shape.as) {
    case 'area':
      return `<path d="${pathOf(shape.points, true)}" fill="${INK[shape.tone]}"${shape.edge ? ` stroke="${INK[shape.edge]}" stroke-width="1.5"` : ''}/>`;
    case 'line':
      return `<path d="${pathOf(shape.points, false)}" fill="none" stroke="${INK[shape.tone]}" stroke-width="${shape.width}"${shape.dash ? ` stroke-dasharray="${shape.dash.join(' ')}"` : ''}${shape.dash?.[0] === 0 ? ' stroke-linecap="round"' : ''} stroke-linejoin="round"/>`;
    case 'marks':
      return `<path d="${segmentsPath(shape.segments)}" fill="none" stroke="${INK[shape.tone]}" stroke-width="${shape.width}"/>`;
    case 'text':
      return `<text x="${shape.at[0].toFixed(1)}" y="${shape.at[1].toFixed(1)}" font-size="${shape.size}" font-family="${shape.figures ? `${FIGURES}, monospace` : `${TYPEFACE}, sans-serif`}" font-weight="${shape.strong ? 700 : 400}" text-anchor="${shape.anchor}" fill="${INK[shape.tone]}"${shape.halo ? ` stroke="${INK[shape.halo]}" stroke-width="4" paint-order="stroke"` : ''}>${escaped(shape.text)}</text>`;
  }
}

/** A drawing as an SVG file that stands by itself, in the inks of paper. */
export const drawingToSvg = ({ width, height, shapes }: Drawing, title: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}"><title>${escaped(title)}</title>${shapes.map(element).join('')}</svg>\n`;

/** The same as a PNG, drawn by the browser at `sharp` times its size. */
export async function svgToPng(svg: string, width: number, height: number, sharp = 2): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = width * sharp;
    canvas.height = height * sharp;
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((done, fail) =>
      canvas.toBlob(
        (blob) => (blob ? done(blob) : fail(new Error('The picture could not be made.'))),
        'image/png',
      ),
    );
  } finally {
    URL.revokeObjectURL(url);
  }
}
