import { readFileSync } from 'node:fs';
import { projectFile } from './projectFile';

/** The faces of documents, as they ship with the application: text and figures, regular and bold. */
export const paperFonts = (): Buffer[] =>
  [
    'atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
    'atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf',
    'spline-sans-mono/400Regular/SplineSansMono_400Regular.ttf',
    'spline-sans-mono/700Bold/SplineSansMono_700Bold.ttf',
  ].map((file) => readFileSync(projectFile('node_modules', '@expo-google-fonts', ...file.split('/'))));
