/**
 * Address of a page of a tree. One that is on a device alone has pages of its own until the server knows it.
 *
 * @param alone its property, where it is on a device alone
 * @example treeHref('oak-1', { page: 'pictures', visit: 'v' }) // '/trees/oak-1/pictures?visit=v'
 */
export function treeHref(
  treeId: string,
  { page, visit, alone }: { page?: 'pictures'; visit?: string; alone?: string } = {},
): string {
  const told = new URLSearchParams({
    ...(alone !== undefined && { property: alone, tree: treeId }),
    ...(visit !== undefined && { visit }),
  });
  const path = `/trees/${alone === undefined ? treeId : 'new'}${page ? `/${page}` : ''}`;
  return told.size > 0 ? `${path}?${told}` : path;
}
