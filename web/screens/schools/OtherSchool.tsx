'use client';

import { Suspense, use } from 'react';
import { formatMoney } from '@undrel/core/costing';
import { Changes } from '../../ui/Changes';
import { SCHOOLS_OF_CUTS, type CutsUnder } from '../../protocol/cutsUnder';
import type { School, Matter } from '@undrel/core/practice';
import type { PrescriptionChange } from '@undrel/core/prescription';
import { usePreferences } from '../shell/preferences';
import { tradeLengths, writeLengths } from '@undrel/core/units';
/** What the best cut plan would be under another school, once it is solved. */
function CutsUnderSchool(props: { cuts: Promise<CutsUnder | undefined>; matter: string; school: string }) {
  const says = use(props.cuts);
  const own = says?.[props.matter]?.[props.school] ?? [];
  return (
    <p>
      <strong>Cut plan:</strong>{' '}
      {!says
        ? 'it could not be solved just now; open the page again.'
        : own.length === 0
          ? 'the same roots in the same stages.'
          : own.join(' ')}
    </p>
  );
}
const FOLLOW = { tree: 'Follow for this tree', property: 'Follow on this whole property' } as const;
/** What another school would change here, and what it would cost. */
export function OtherSchool({
  school,
  more,
  currency,
  choose,
  disabled,
  matter,
  cuts,
  changes,
}: {
  school: School;
  more: string | undefined;
  currency: string | undefined;
  choose: ((level: 'tree' | 'property', matter: string, school: string) => void) | undefined;
  disabled: boolean;
  matter: Matter;
  cuts: Promise<CutsUnder | undefined> | undefined;
  changes: PrescriptionChange[];
}) {
  const { units: system } = usePreferences();
  const spoken = (words: string) => tradeLengths(words, system);
  return (
    <div className="mt-2 pl-4 border-l-4 border-hair">
      <div className="flex flex-wrap items-center gap-x-3">
        <h3 className="font-semibold">{spoken(school.label)}</h3>
        {more && currency && (
          <span className="num">
            {Number(more) > 0 ? '+' : '−'}
            {formatMoney(String(Math.abs(Number(more))), currency)} net
          </span>
        )}
        {choose && (
          <div className="flex flex-wrap gap-2">
            {(['tree', 'property'] as const).map((level) => (
              <button
                key={level}
                type="button"
                className="quiet whitespace-nowrap"
                disabled={disabled}
                onClick={() => choose(level, matter.key, school.key)}
                aria-label={`${FOLLOW[level]}: ${school.label}`}
              >
                {FOLLOW[level]}
              </button>
            ))}
          </div>
        )}
      </div>
      {school.warning && <p className="wrong my-1">{school.warning}</p>}
      {cuts && SCHOOLS_OF_CUTS.includes(matter.key) && (
        <div className="h-[6.2rem] sm:h-[3.1rem] overflow-y-auto">
          <Suspense fallback={<p role="status">Solving the cut plan under this school…</p>}>
            <CutsUnderSchool cuts={cuts} matter={matter.key} school={school.key} />
          </Suspense>
        </div>
      )}
      {changes.length === 0 && cuts && SCHOOLS_OF_CUTS.includes(matter.key) ? null : changes.length === 0 ? (
        <p className="text-muted">{more ? 'Changes what the trenches take.' : 'Changes nothing here.'}</p>
      ) : (
        <Changes changes={changes} say={(text) => writeLengths(text, system)} />
      )}
    </div>
  );
}
