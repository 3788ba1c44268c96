'use client';

import { ArrowRight, Minus, Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { UnitSystem } from '@undrel/core/units';
import { stepped, withKey } from './keys';
import { usePreferences } from './preferences';

/** Keys that the number pad of a phone has not, in the order in which they are used. */
const KEYS: Record<UnitSystem, readonly string[]> = {
  metric: ['−', '½', 'mm', 'cm', 'm', 'in'],
  us: ['−', '¼', '½', '¾', '⅛', 'in', 'ft', 'cm'],
};

const isNumber = (target: EventTarget | null): target is HTMLInputElement =>
  target instanceof HTMLInputElement && /^(decimal|numeric)$/.test(target.inputMode) && !target.readOnly;

/** Puts a text into a field as if it had been typed. */
function type(field: HTMLInputElement, text: string): void {
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** The number field after another on the page. */
function nextOf(field: HTMLInputElement): HTMLInputElement | undefined {
  const all = [...document.querySelectorAll('input')].filter(
    (f) => isNumber(f) && !f.disabled && !f.closest('fieldset:disabled') && f.offsetParent !== null,
  );
  return all[all.indexOf(field) + 1];
}

/**
 * Over the number pad of a phone: minus, fractions and units, steps up and down for counts, and the next field. It comes and
 * goes with the pad, over whatever is at the foot of the page, and takes no focus.
 */
export function KeyBar() {
  const { units } = usePreferences();
  const [field, setField] = useState<HTMLInputElement | undefined>(undefined);
  const [above, setAbove] = useState(0);
  useEffect(() => {
    if (!window.matchMedia('(pointer: coarse)').matches) return;
    const come = (event: FocusEvent) => setField(isNumber(event.target) ? event.target : undefined);
    const go = (event: FocusEvent) => !isNumber(event.relatedTarget) && setField(undefined);
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
  const counts = field.inputMode === 'numeric';
  const key = 'min-w-[48px] h-[52px] px-2 border-r border-hair flex items-center justify-center shrink-0';
  return (
    <div
      role="toolbar"
      aria-label="Keys for numbers"
      className="no-print fixed inset-x-0 z-30 h-[52px] bg-sheet border-y-2 border-ink flex items-stretch text-lg"
      style={{ bottom: above }}
      // What is pressed here leaves the field with the focus.
      onPointerDown={(event) => event.preventDefault()}
    >
      <div className="flex flex-1 overflow-x-auto">
        {counts ? (
          <>
            <button
              type="button"
              tabIndex={-1}
              className={`${key} flex-1`}
              aria-label="One less"
              onClick={() => type(field, stepped(field.value, -1))}
            >
              <Minus aria-hidden="true" size={22} />
            </button>
            <button
              type="button"
              tabIndex={-1}
              className={`${key} flex-1`}
              aria-label="One more"
              onClick={() => type(field, stepped(field.value, 1))}
            >
              <Plus aria-hidden="true" size={22} />
            </button>
          </>
        ) : (
          KEYS[units].map((k) => (
            <button
              key={k}
              type="button"
              tabIndex={-1}
              className={`${key} flex-1`}
              onClick={() => type(field, withKey(field.value, k))}
            >
              {k}
            </button>
          ))
        )}
      </div>
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
    </div>
  );
}
