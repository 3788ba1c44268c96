import { filesAhead } from './ahead';

const at = (name: string) => `/_next/static/chunks/${name}.js`;
const html = [
  `<link rel="preload" as="script" href="${at('station')}"/>`,
  `<script src="${at('turbopack-1a2b')}" async=""></script><script src="${at('shared')}" async=""></script>`,
  `<script src="${at('polyfills')}" noModule="" nonce="n"></script>`,
  `<script>self.__next_f.push(${JSON.stringify([1, `6:I[33,["${at('tree')}","${at('shared')}"],"TreeScreen"]`])})</script>`,
].join('');

test('of a kept page that is read ahead, what the open page lacks: what it begins with and what its content names', () => {
  const has = new Set([at('turbopack-1a2b'), at('shared'), at('property')]);
  expect(filesAhead(html, has)).toEqual([at('station'), at('tree')]);
});

test('a page of another build is not read: its parts are numbered anew', () => {
  expect(filesAhead(html, new Set([at('turbopack-9z'), at('shared')]))).toEqual([]);
  expect(filesAhead(html, new Set([at('shared')]))).toEqual([]);
});
