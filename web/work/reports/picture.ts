import { readFileSync } from 'node:fs';
import { initWasm, Resvg } from '@resvg/resvg-wasm';
import { TYPEFACE } from '../../drawings/svgText';
import { paperFonts } from '../paper/paperFonts';
import { projectFile } from '../paper/projectFile';

let ready: Promise<Buffer[]> | undefined;
const started = async (): Promise<Buffer[]> => {
  await initWasm(readFileSync(projectFile('node_modules', '@resvg', 'resvg-wasm', 'index_bg.wasm')));
  return paperFonts();
};

/** An SVG drawing as PNG on white, `sharp` times its size, in the letters that ship with the application. */
export async function pngOf(svg: string, sharp = 2): Promise<Uint8Array> {
  const fontBuffers = await (ready ??= started());
  return new Resvg(svg, {
    background: '#ffffff',
    fitTo: { mode: 'zoom', value: sharp },
    font: { fontBuffers, defaultFontFamily: TYPEFACE },
  })
    .render()
    .asPng();
}
