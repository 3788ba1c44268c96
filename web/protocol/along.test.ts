import { needsServer } from './along';

test('pages that are taken along need no signal; every other one does', () => {
  const need = (paths: string[]) => paths.map(needsServer);
  expect(
    need([
      '/grounds',
      '/season?view=month',
      '/device',
      '/grounds/row',
      '/grounds/row/walk',
      '/trees/oak-1?station=dig',
      '/trees/oak-1/order?visit=v',
      '/trees/oak-1/crew/trenches?visit=v',
      '/trees/new?property=row',
      '#each-cause',
    ]),
  ).toEqual(Array.from({ length: 10 }, () => false));
  expect(
    need([
      '/trees/oak-1/report',
      '/trees/oak-1/options?visit=v',
      '/grounds/row/notice',
      '/practice',
      '/account',
    ]),
  ).toEqual(Array.from({ length: 5 }, () => true));
});
