import { readBearing } from '@undrel/core/questions';
import type { ProbePoint } from '@undrel/core/records';
import { readLength, type LengthUnit } from '@undrel/core/units';

export const FOUND: readonly { key: ProbePoint['found']; label: string }[] = [
  { key: 'root', label: 'root' },
  { key: 'nothing', label: 'nothing' },
  { key: 'obstacle', label: 'stone' },
];

/** A push as it is typed. */
export interface Draft {
  bearing: string;
  distance: string;
  depth: string;
  found: ProbePoint['found'];
  from: ProbePoint['from'];
}

export interface DraftProblem {
  field: keyof Draft;
  message: string;
}

/** The push a draft stands for, or what is wrong with it, field by field. */
export function readDraft(draft: Draft, unit: LengthUnit): { problems: DraftProblem[]; push?: ProbePoint } {
  const bearing = readBearing(draft.bearing);
  const distance = readLength('distance', draft.distance, unit);
  const depth = readLength('probeDepth', draft.depth, unit);
  const problems: DraftProblem[] = [
    ...(bearing === undefined
      ? [
          {
            field: 'bearing' as const,
            message: `Bearing: “${draft.bearing}” is not one; allowed are N, NE, … or 0 to 360.`,
          },
        ]
      : []),
    ...(distance.state === 'ok' ? [] : [{ field: 'distance' as const, message: distance.message }]),
    ...(depth.state === 'ok' ? [] : [{ field: 'depth' as const, message: depth.message }]),
  ];
  if (bearing === undefined || distance.state !== 'ok' || depth.state !== 'ok') return { problems };
  const { found, from } = draft;
  return { problems, push: { bearing, distance: distance.metres, depth: depth.metres, found, from } };
}
