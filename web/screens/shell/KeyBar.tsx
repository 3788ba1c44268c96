'use client';

import { ArrowRight, Compass, Minus, Plus } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import type { UnitSystem } from '@undrel/core/units';
import { late } from '../../ui/late';
import { typeInto } from '../../ui/controls/typeInto';
import type { CompassProps } from './compassProps';
import { stepped, withKey } from './keys';
import { usePreferences } from './preferences';

/** Keys that the number pad of a phone has not, in the order in which they are used. */
const KEYS: Record<UnitSystem, readonly string[]> = {
  metric: ['−', '½', 'mm', 'cm', 'm', 'in'],
  us: ['−', '¼', '½', '¾', '⅛', 'in', 'ft', 'cm'],
};

const SIDES = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'];

const CompassStrip = late<CompassProps>(
  () => import('./CompassStrip').then((m) => m.CompassStrip),
  ({ onClose }) => (
    <button
      type="button"
      className="absolute inset-x-0 bottom-[52px] bg-sheet border-t-2 border-ink min-h-[52px]"
      onClick={onClose}
    >
      The compass needs signal once; type the bearing.
    </button>
  ),
);

const isKeyed = (target: EventTarget | null): target is HTMLInputElement =>
  target instanceof HTMLInputElement &&
  (/^(decimal|numeric)$/.test(target.inputMode) || target.dataset.bearing !== undefined) &&
  !target.readOnly;

/** The field with keys after another on the page. */
function nextOf(field: HTMLInputElement): HTMLInputElement | undefined {
  const all = [...document.querySelectorAll('input')].filter(
    (f) => isKeyed(f) && !f.disabled && !f.closest('fieldset:disabled') && f.offsetParent !== null,
  );
  return all[all.indexOf(field) + 1];
}

/**
 * Over the keyboard of a phone: minus, fractions and units for lengths, steps up and down for counts, the sides and the compass
 * for bearings, and the next field. It comes and goes with the keyboard, over whatever is at the foot of the page, and takes no
 * focus.
 */
export function KeyBar() {
  const { units } = usePreferences();
  const [field, setField] = useState<HTMLInputElement | undefined>(undefined);
  const [above, setAbove] = useState(0);
  const [aiming, setAiming] = useState(false);
  useEffect(() => setAiming(false), [field]);
  useEffect(() => {
    if (!window.matchMedia('(pointer: coarse)').matches) return;
    const come = (event: FocusEvent) => setField(isKeyed(event.target) ? event.target : undefined);
    const go = (event: FocusEvent) => !isKeyed(event.relatedTarget) && setField(undefined);
    const place = () => {
      const seen = window.visualViewport;
      setAbove(seen ? Math.max(0, window.innerHeight - seen.height - seen.offsetTop) : 0);
    };
    document.addEventListener('focusin', come);
    document.addEventListener('focusout', go);
    window.visualViewport?.addEventListener('resize', place);
    window.visualViewport?.addEventListener('scroll', place);
    return () => {
      document.removeEventListener('focusin', come);
      document.removeEventListener('focusout', go);
      window.visualViewport?.removeEventListener('resize', place);
      window.visualViewport?.removeEventListener('scroll', place);
    };
  }, []);
  if (!field) return null;
  const { bearing: north } = field.dataset;
  const wide =
    'min-w-[48px] h-[52px] px-2 border-r border-hair flex flex-1 items-center justify-center shrink-0';
  const key = (label: string, act: () => void, shown?: ReactNode) => (
    <button key={label} type="button" tabIndex={-1} className={wide} aria-label={label} onClick={act}>
      {shown ?? label}
    </button>
  );
  const keys = () => {
    if (north !== undefined)
      return [
        key('Compass', () => setAiming(true), <Compass aria-hidden="true" size={24} />),
        ...SIDES.map((side) => key(side, () => typeInto(field, side))),
      ];
    if (field.inputMode === 'numeric')
      return [
        key(
          'One less',
          () => typeInto(field, stepped(field.value, -1)),
          <Minus aria-hidden="true" size={22} />,
        ),
        key(
          'One more',
          () => typeInto(field, stepped(field.value, 1)),
          <Plus aria-hidden="true" size={22} />,
        ),
      ];
    return KEYS[units].map((k) => key(k, () => typeInto(field, withKey(field.value, k))));
  };
  return (
    <div
      role="toolbar"
      aria-label={north === undefined ? 'Keys for numbers' : 'Keys for bearings'}
      className="no-print fixed inset-x-0 z-30 h-[52px] bg-sheet border-y-2 border-ink flex items-stretch text-lg"
      style={{ bottom: above }}
      // What is pressed here leaves the field with the focus.
      onPointerDown={(event) => event.preventDefault()}
    >
      {aiming && (
        <CompassStrip
          north={north === 'magnetic' ? 'magnetic' : 'true'}
          onTake={(bearing) => {
            typeInto(field, String(bearing));
            setAiming(false);
          }}
          onClose={() => setAiming(false)}
        />
      )}
      <div className="flex flex-1 overflow-x-auto">{keys()}</div>
      <NextField field={field} />
    </div>
  );
}

function NextField({ field }: { field: HTMLInputElement }) {
  return (
    <button
      type="button"
      tabIndex={-1}
      className="w-[64px] bg-todo text-sheet flex items-center justify-center"
      aria-label="Next field"
      onClick={() => {
        const next = nextOf(field);
        if (!next) return field.blur();
        next.focus();
        next.scrollIntoView({ block: 'center' });
      }}
    >
      <ArrowRight aria-hidden="true" size={24} />
    </button>
  );
}
