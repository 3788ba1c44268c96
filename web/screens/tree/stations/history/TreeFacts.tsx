'use client';

import type { Tree } from '@undrel/core/records';
import { Text } from './Text';

/** By whom and with which others it was planted, and whether others are measured by it. */
export function PlantedAs({
  tree,
  mayMeasure,
  write,
}: {
  tree: Tree;
  mayMeasure: boolean;
  write: (change: Partial<Tree>) => void;
}) {
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 mt-2">
        <Text
          label="Planted by"
          value={tree.planter ?? ''}
          disabled={!mayMeasure}
          onChange={(planter) => write({ planter: planter.trim() || undefined })}
        />
        <Text
          label="Planted together with"
          value={tree.cohort ?? ''}
          disabled={!mayMeasure}
          onChange={(cohort) => write({ cohort: cohort.trim() || undefined })}
        />
      </div>
      <label className="flex items-center gap-2 min-h-[44px]">
        <input
          type="checkbox"
          checked={tree.reference === true}
          disabled={!mayMeasure}
          onChange={(event) => write({ reference: event.target.checked || undefined })}
        />
        Healthy reference for others of its species
      </label>
    </>
  );
}
