'use client';

import type { PruningAdvice, RootDecision } from '@undrel/core/pruning';
import type { DigReading } from '@undrel/core/roots';
import type { UnitSystem } from '@undrel/core/units';
import { RootRow } from './RootRow';

const ORDER: readonly RootDecision[] = ['cut now', 'cut later', 'look again', 'watch', 'keep'];

/** What is advised for each root, what goes first first, and the cautions of cutting. */
export function RootsAdvice(props: {
  advice: PruningAdvice;
  reading: DigReading;
  /** Labels of roots without a point yet. */
  unfinished: readonly string[];
  /** Label of the root that is shaped. */
  chosen: string | undefined;
  system: UnitSystem;
  onSelect: (label: string | undefined) => void;
}) {
  const { advice, reading, system, onSelect } = props;
  const rows = [...advice.roots].sort(
    (a, b) => ORDER.indexOf(a.decision) - ORDER.indexOf(b.decision) || b.frees - a.frees,
  );
  const readOf = (label: string) => {
    const { root, compression } = reading.roots.find((r) => r.root.label === label)!;
    return { root, share: compression.share };
  };
  return (
    <>
      {rows.length > 0 && (
        <table className="w-full my-2" aria-label="Roots and advice">
          <thead>
            <tr>
              <th scope="col">root</th>
              <th scope="col">kind</th>
              <th scope="col" className="text-right">
                of bark
              </th>
              <th scope="col">advice</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <RootRow
                key={row.label}
                advice={row}
                system={system}
                {...readOf(row.label)}
                chosen={row.label === props.chosen}
                onSelect={() => onSelect(row.label === props.chosen ? undefined : row.label)}
              />
            ))}
          </tbody>
        </table>
      )}
      {props.unfinished.length > 0 && (
        <p className="text-sm">
          Without a point yet:{' '}
          {props.unfinished.map((label) => (
            <button key={label} type="button" className="link px-1" onClick={() => onSelect(label)}>
              {label}
            </button>
          ))}
        </p>
      )}
      {rows.length > 0 && (
        <>
          <p className="text-sm text-muted">
            {Math.round(100 * advice.lossNow)}% of the root cross-section is removed now, of at most{' '}
            {Math.round(100 * advice.lossLimit)}% in a season.{' '}
            {advice.schools.map((s) => `${s.matter.label}: ${s.label} (${s.chosenBy}).`).join(' ')}
          </p>
          {advice.cautions.length > 0 && (
            <ul className="wrong my-2">
              {advice.cautions.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
          )}
          <p className="text-sm border-l-4 border-harm pl-2 my-2">
            Cutting or exposing roots can free a tree to fall. A qualified person assesses its stability
            first; the target area is clear; not in high wind or saturated ground. Utilities are located
            before any digging. Local codes and permits come first.
          </p>
        </>
      )}
    </>
  );
}
