import { typeInto, type TextField } from './typeInto';

/** What was typed into a field, or ticked, before its page listened. */
export interface Typed {
  /** Which field it is, where the element itself was replaced meanwhile. */
  name: string;
  text: string;
  /** What the field held before. */
  given: string;
  /** The unit that stood beside it. */
  unit: string | undefined;
  /** For a radio button or a tick. */
  checked: boolean | undefined;
}

interface Ahead {
  held: Map<TextField, Typed>;
  nameOf(field: TextField): string;
}

declare global {
  interface Window {
    undrelAhead?: Ahead;
  }
}

/**
 * Runs in the page as it comes, before any other code of it, and for as long as the page is open: it is sent as its own text,
 * and uses nothing but what the browser has.
 *
 * What is typed or ticked within a fieldset that waits is held, and goes no further: a part of the page that hears of it too
 * early would make it of values that are not the newest. Forms that no server answers are never sent, since the page would be
 * opened anew; and one who leaves with something held is asked.
 */
export function holdTyped(): void {
  const held: Ahead['held'] = new Map();
  const nameOf = (field: TextField) =>
    [
      field.closest('[role="radiogroup"]')?.getAttribute('aria-label') ?? '',
      field.getAttribute('aria-label') ?? field.labels?.[0]?.textContent ?? '',
      field.dataset.cell ?? '',
      field.type === 'radio' ? field.value : '',
    ].join('|');
  window.undrelAhead = { held, nameOf };
  /** The radio button that is being pressed, where it was chosen already: that takes the answer back. */
  let chosen: Element | undefined;
  addEventListener(
    'pointerdown',
    ({ target }) => {
      const again = target instanceof HTMLInputElement && target.type === 'radio' && target.checked;
      chosen = again ? target : undefined;
    },
    true,
  );
  const hold = (event: Event) => {
    const field = event.target;
    if (!(field instanceof Element) || !field.closest('fieldset[data-waits]')) return;
    const isInput = field instanceof HTMLInputElement;
    if (!isInput && !(field instanceof HTMLTextAreaElement)) {
      if (event.type === 'click') event.stopPropagation();
      return;
    }
    if (isInput && field.type === 'file') return;
    event.stopPropagation();
    const back = event.type === 'click' && field === chosen;
    if (event.type === 'click' && !back) return;
    if (back) setTimeout(() => ((field as HTMLInputElement).checked = false));
    const ticked = isInput && (field.type === 'radio' || field.type === 'checkbox');
    const before = held.get(field);
    // The last of several ticks is said last.
    held.delete(field);
    held.set(field, {
      name: nameOf(field),
      text: field.value,
      given: before?.given ?? field.defaultValue,
      unit: before?.unit ?? field.dataset.unit,
      checked: ticked ? !back && field.checked : undefined,
    });
  };
  for (const type of ['input', 'change', 'click']) addEventListener(type, hold, true);
  addEventListener(
    'submit',
    (event) => {
      const form = event.target as Element;
      if (form.closest('fieldset[data-waits]')) event.stopPropagation();
      if (!form.hasAttribute('action')) event.preventDefault();
    },
    true,
  );
  // What a field holds gives way to what is typed.
  addEventListener('focusin', (event) => {
    if (
      event.isTrusted &&
      event.target instanceof HTMLInputElement &&
      event.target.dataset.whole !== undefined
    )
      event.target.select();
  });
  addEventListener('beforeunload', (event) => {
    if (held.size > 0) event.preventDefault();
  });
}

/** The text to be typed again: with the unit that stood beside the field, where another does by now. */
export const textAgain = ({ text, unit }: Pick<Typed, 'text' | 'unit'>, now: string | undefined): string =>
  unit !== undefined && unit !== now && /[\d¼½¾⅛]\s*$/.test(text) ? `${text.trim()} ${unit}` : text;

/** Whether anything was typed or ticked that its page does not know of yet. */
export const anyHeld = (): boolean =>
  typeof window !== 'undefined' && (window.undrelAhead?.held.size ?? 0) > 0;

/** Told once nothing is held any more. */
const waiting = new Set<() => void>();

/** Does something as soon as nothing is held: what is shown is not made another under a hand that types. */
export function whenNothingHeld(act: () => void): void {
  if (anyHeld()) waiting.add(act);
  else act();
}

/** Types or ticks again in a field what was held of it. */
function sayAgain(field: TextField, typed: Typed): void {
  if (typed.checked === undefined) {
    if (typed.text === typed.given) return;
    // Once as it was, for the page to see that it changed.
    field.value = typed.given;
    typeInto(field, textAgain(typed, field.dataset.unit));
    return;
  }
  const tick = field as HTMLInputElement;
  // As it was before it was pressed: chosen, where the press takes the answer back.
  tick.checked = !typed.checked;
  tick.click();
  tick.checked = typed.checked;
}

/**
 * Types and ticks again what was held, one after the other, now that the page listens.
 *
 * @returns what has no field any more, as the page stands by now: `“10” at 30 cm out, N`
 */
export function sayHeld(fields: HTMLFieldSetElement): string[] {
  const { held, nameOf } = window.undrelAhead ?? { held: new Map<TextField, Typed>(), nameOf: () => '' };
  const lost: string[] = [];
  for (const [was, typed] of [...held]) {
    held.delete(was);
    const field = fields.contains(was)
      ? was
      : [...fields.querySelectorAll<TextField>('input, textarea')].find((f) => nameOf(f) === typed.name);
    if (field && !field.disabled) sayAgain(field, typed);
    else lost.push(saidOf(typed));
  }
  // Words and keys of the field that one is in.
  if (fields.contains(document.activeElement))
    document.activeElement!.dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
  for (const act of waiting) act();
  waiting.clear();
  return lost;
}

/** What was held, in words. */
export function saidOf({ name, text, checked }: Pick<Typed, 'name' | 'text' | 'checked'>): string {
  const [choice, label, , answer] = name.split('|');
  if (answer) return `“${label || answer}” at ${choice}`;
  return checked === undefined ? `“${text}” at ${label}` : `${label}: ${checked ? 'ticked' : 'not ticked'}`;
}
