import type { Tone } from './shapes';

/** Tones on white paper, where no style sheet can be asked. */
export const INK: Record<Tone, string> = {
  ink: '#1F2421',
  muted: '#555B56',
  hair: '#CFC8B6',
  paper: '#FFFFFF',
  sheet: '#FFFFFF',
  todo: '#0B5A70',
  harm: '#B3261E',
  buried: '#6B2E22',
  fill: '#E4DED0',
  wash: '#E3EBEE',
  squeeze: '#F3D8D2',
  topsoil: '#D6C5A4',
  loam: '#EBDDC2',
  clay: '#D2AC89',
  mulch: '#D8BE9C',
  root: '#F7F2E6',
};
