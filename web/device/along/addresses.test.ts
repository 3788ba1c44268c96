import { asksAnew, asksItself, asksOf, mayDiffer, pageKey, pageOf, wanted, type Asks } from './addresses';

const at = (path: string) => new URL(path, 'https://undrel.example');

test('what a device without signal can answer: files, pictures, labels and pages; never what programs ask', () => {
  const of = (path: string, asks: Asks = 'page') => wanted(at(path), asks);
  expect([
    of('/_next/static/chunks/a.js', 'other'),
    of('/icon.svg', 'other'),
    of(`/pictures/${'0'.repeat(64)}/small`, 'other'),
    of('/t/0123456789abcdef0123'),
    of('/trees/oak-1?station=dig'),
    of('/grounds'),
  ]).toEqual(['static', 'static', 'picture', 'label', 'page', 'page']);
  // A link asks for the content of a page within the one that is open; a label leads to a page as a whole.
  expect([of('/trees/oak-1?_rsc=1', 'content'), of('/t/0123456789abcdef0123', 'content')]).toEqual([
    'content',
    'other',
  ]);
  expect(of('/api/trees/oak-1/case')).toBe('other');
  expect(of(`/pictures/${'g'.repeat(64)}/small`, 'other')).toBe('other');
});

test('what asks is told by its request, and the page that a link is for by its address', () => {
  const asks = (mode: RequestMode, headers: Record<string, string> = {}) =>
    asksOf({ mode, headers: new Headers(headers) });
  expect([
    asks('navigate'),
    asks('cors', { rsc: '1' }),
    asks('cors', { rsc: '1', 'next-router-prefetch': '1' }),
    asks('cors'),
  ]).toEqual(['page', 'content', 'other', 'other']);
  expect(pageOf(at('/trees/oak-1?station=dig&_rsc=1x2').href)).toBe(at('/trees/oak-1?station=dig').href);
});

test('a page that asks for its own content anew is told from a link to another', () => {
  const asks = (url: string, referrer: string) => asksAnew({ url: at(url).href, referrer });
  expect([
    asks('/trees/oak-1?_rsc=1', at('/trees/oak-1?station=dig').href),
    asks('/trees/oak-1?_rsc=1', at('/grounds/row').href),
    asks('/trees/oak-1?_rsc=1', 'about:client'),
    asks('/trees/oak-1?_rsc=1', ''),
  ]).toEqual([true, false, false, false]);
});

test('a page is kept under what tells it apart: a visit and a property do, a station and a length do not', () => {
  const key = (path: string) => pageKey(at(path)).replace('https://undrel.example', '');
  expect(key('/trees/oak-1?station=dig')).toBe('/trees/oak-1');
  expect(key('/trees/oak-1/order?length=letter&visit=a%20b')).toBe('/trees/oak-1/order?visit=a%20b');
  expect(key('/trees/new?tree=x&property=p')).toBe('/trees/new?property=p');
  expect(key('/trees/newton-1?visit=v&property=p')).toBe('/trees/newton-1?visit=v&property=p');
  expect(key('/trees/new/pictures?property=p&tree=x&visit=v')).toBe('/trees/new/pictures?property=p');
  expect(mayDiffer(at('/trees/oak-1/order?visit=other').href)).toBe(true);
  expect(mayDiffer(at('/trees/new?property=p').href)).toBe(false);
});

test('a tree’s page asks for what is new by itself; its order and a new tree do not', () => {
  const asks = (path: string) => asksItself(at(path).href);
  expect([
    asks('/trees/oak-1?station=dig'),
    asks('/trees/oak-1/order'),
    asks('/trees/new?property=p'),
  ]).toEqual([true, false, false]);
});
