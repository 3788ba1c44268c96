import { pageKey } from '../device/along/addresses';
import { needsServer } from './along';
import { treeHref } from './treeHref';

test('a tree that is on a device alone has pages of its own, which are kept once for its property', () => {
  expect(treeHref('oak-1')).toBe('/trees/oak-1');
  expect(treeHref('oak-1', { page: 'pictures', visit: 'v' })).toBe('/trees/oak-1/pictures?visit=v');
  const alone = { alone: 'row' };
  expect(treeHref('x', alone)).toBe('/trees/new?property=row&tree=x');
  for (const id of ['x', 'y']) {
    const address = treeHref(id, { ...alone, page: 'pictures', visit: `v${id}` });
    expect(needsServer(address)).toBe(false);
    expect(pageKey(`http://here${address}`)).toBe('http://here/trees/new/pictures?property=row');
  }
});
