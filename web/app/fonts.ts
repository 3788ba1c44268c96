import localFont from 'next/font/local';

/*
 * Two weights of text and of figures, fetched with the page. What is not here when a page is first drawn is left until the
 * application is opened again, so that nothing moves. Letters beyond Western Europe come when a page holds one.
 */
const atkinson = localFont({
  src: [
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff2',
      weight: '400',
    },
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-600-normal.woff2',
      weight: '600',
    },
  ],
  display: 'optional',
  variable: '--text-letters',
});
const atkinsonMore = localFont({
  src: [
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff2',
      weight: '400',
    },
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-600-normal.woff2',
      weight: '600',
    },
  ],
  display: 'optional',
  variable: '--text-more',
  preload: false,
  adjustFontFallback: false,
  declarations: [
    {
      prop: 'unicode-range',
      value: 'U+0100-0130, U+0132-0151, U+0154-02BA, U+1E00-1E9F, U+1EF2-1EFF, U+20A0-20AB, U+20AD-20C0',
    },
  ],
});
const spline = localFont({
  src: [
    {
      path: '../../node_modules/@fontsource/spline-sans-mono/files/spline-sans-mono-latin-400-normal.woff2',
      weight: '400',
    },
    {
      path: '../../node_modules/@fontsource/spline-sans-mono/files/spline-sans-mono-latin-600-normal.woff2',
      weight: '600',
    },
  ],
  display: 'optional',
  variable: '--figures',
  fallback: ['monospace'],
  adjustFontFallback: false,
});

/** Classes that name the faces for the styles. */
export const FACES = [atkinson, atkinsonMore, spline].map((face) => face.variable).join(' ');
