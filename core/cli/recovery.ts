import type { CaseFile } from '../src/format/case';
import { coneBack } from '../src/memory';
import { crownLook, recoveryOf, type Recovery, type Yardstick } from '../src/recovery';
import { seriesOf } from '../src/history';
import { operationOf } from '../src/vocabulary';
import { writeLengths, type UnitSystem } from '../src/units';

/** The tree of another case as the yardstick. */
export function yardstickOf({ tree, visits }: CaseFile, on: string): Yardstick {
  const treated = visits
    .flatMap((v) => v.work ?? [])
    .filter((w) => w.how !== 'not done' && operationOf(w.step) !== undefined)
    .map((w) => w.on)
    .sort()[0];
  return {
    label: tree.label,
    shoots: seriesOf(visits, on).filter((s) => s.of === 'shoot'),
    looks: visits.flatMap((v) => crownLook(v) ?? []),
    ...(treated && { treated }),
  };
}

/** Whether the tree of a case answers to what was done. @throws where nothing was done that a crown would show */
export function recoveryOfCase(caseFile: CaseFile, on: string, beside: CaseFile | undefined): Recovery {
  const told = recoveryOf(
    caseFile.visits,
    { weather: caseFile.weather },
    on,
    beside && yardstickOf(beside, on),
    {
      coneBack: coneBack(
        caseFile.tree,
        caseFile.visits.filter((v) => v.date <= on),
      ),
    },
  );
  if (!told)
    throw new Error(`$.visits: no work until ${on} that a crown would show; one in \`work\` is needed`);
  return told;
}

/** It for people. */
export const recoveryText = (label: string, told: Recovery, system: UnitSystem): string =>
  writeLengths([`${label}: ${told.text}`, `Next: ${told.next}`, ...told.notes, ''].join('\n'), system);
