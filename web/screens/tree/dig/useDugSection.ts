import { useEffect, useMemo, useState } from 'react';
import type { Tree, Visit } from '@undrel/core/records';
import type * as Roots from '@undrel/core/roots';
import type { DugSection } from '@undrel/core/roots';

/** Roots of the visit's dig where the section meets them; the code that reads a dig comes when there is one. */
export function useDugSection(tree: Tree, visit: Visit, bearing: number): DugSection | undefined {
  const [roots, setRoots] = useState<typeof Roots | undefined>(undefined);
  const dug = (visit.dig?.roots.length ?? 0) > 0;
  useEffect(() => {
    if (!dug || roots) return;
    import('@undrel/core/roots').then(
      (loaded) => setRoots(loaded),
      () => undefined,
    );
  }, [dug, roots, visit]);
  const laid = useMemo(
    () => (roots && visit.dig && dug ? roots.rootsLaid(tree, visit.dig) : undefined),
    [roots, tree, visit.dig, dug],
  );
  return useMemo(() => (roots && laid ? roots.dugSection(laid, bearing) : undefined), [roots, laid, bearing]);
}
