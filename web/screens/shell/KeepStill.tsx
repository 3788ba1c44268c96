'use client';

import { useEffect } from 'react';

const PRESSABLE =
  'button, a[href], input, select, textarea, summary, label, [role="checkbox"], [role="radio"]';

/** What scrolls an element: the parts of the page that do, the nearest first, then the page. */
function scrollersOf(element: Element): HTMLElement[] {
  const scrollers: HTMLElement[] = [];
  for (let up = element.parentElement; up && up !== document.body; up = up.parentElement) {
    if (up.scrollHeight > up.clientHeight && /auto|scroll/.test(getComputedStyle(up).overflowY))
      scrollers.push(up);
  }
  return [...scrollers, document.documentElement];
}

/**
 * Keeps what was pressed last where it is: a message, a late part or an answer that grows above it scrolls by as much as
 * it pushes, before anything is painted, so that the next press meets what the eye saw. It follows scrolling, and ends when
 * something else is pressed or it is gone. The browser's own anchoring would undo it: it is off where it scrolls, and there
 * alone, for a rule for all elements takes a phone longer than the press itself.
 */
export function KeepStill() {
  useEffect(() => {
    let held: { element: Element; top: number; scrollers: HTMLElement[] } | undefined;
    const hold = (event: Event) => {
      const element = event.target instanceof Element ? event.target.closest(PRESSABLE) : null;
      // A press brings the focus with it: what is held already need not be styled again.
      if (held && held.element === element) return followed();
      release();
      if (!element) return;
      held = { element, top: element.getBoundingClientRect().top, scrollers: scrollersOf(element) };
      for (const { style } of held.scrollers) style.overflowAnchor = 'none';
    };
    const release = () => {
      for (const { style } of held?.scrollers ?? []) style.overflowAnchor = '';
      held = undefined;
    };
    const followed = () => {
      if (held) held.top = held.element.getBoundingClientRect().top;
    };
    const settle = () => {
      if (!held) return;
      const { element, top, scrollers } = held;
      const box = element.getBoundingClientRect();
      if (!element.isConnected || box.height === 0) return release();
      const by = box.top - top;
      if (Math.abs(by) < 0.5) return;
      scrollers[0]!.scrollTop += by;
      followed();
    };
    const changes = new MutationObserver(settle);
    changes.observe(document.body, { childList: true, subtree: true, characterData: true });
    const sizes = new ResizeObserver(settle);
    sizes.observe(document.body);
    const ends = ['pointerdown', 'focusin'] as const;
    for (const name of ends) document.addEventListener(name, hold, true);
    document.addEventListener('scroll', followed, true);
    return () => {
      changes.disconnect();
      sizes.disconnect();
      release();
      for (const name of ends) document.removeEventListener(name, hold, true);
      document.removeEventListener('scroll', followed, true);
    };
  }, []);
  return null;
}
