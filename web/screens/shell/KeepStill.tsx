'use client';

import { useEffect } from 'react';

const PRESSABLE =
  'button, a[href], input, select, textarea, summary, label, [role="checkbox"], [role="radio"]';

/** What scrolls an element: the nearest part of the page that does, or the page. */
function scrollerOf(element: Element): Element {
  for (let up = element.parentElement; up && up !== document.body; up = up.parentElement) {
    if (up.scrollHeight > up.clientHeight && /auto|scroll/.test(getComputedStyle(up).overflowY)) return up;
  }
  return document.scrollingElement ?? document.documentElement;
}

/**
 * Keeps what was pressed last where it is: a message, a late part or an answer that grows above it scrolls by as much as
 * it pushes, before anything is painted, so that the next press meets what the eye saw. Scrolling, and pressing something
 * else, end it.
 */
export function KeepStill() {
  useEffect(() => {
    let held: { element: Element; top: number } | undefined;
    const hold = (event: Event) => {
      const element = event.target instanceof Element ? event.target.closest(PRESSABLE) : null;
      held = element ? { element, top: element.getBoundingClientRect().top } : undefined;
      document.documentElement.toggleAttribute('data-still', held !== undefined);
    };
    const followed = () => {
      if (held) held.top = held.element.getBoundingClientRect().top;
    };
    const settle = () => {
      if (!held) return;
      const { element, top } = held;
      const box = element.getBoundingClientRect();
      if (!element.isConnected || box.height === 0) {
        held = undefined;
        return;
      }
      const by = box.top - top;
      if (Math.abs(by) < 0.5) return;
      scrollerOf(element).scrollTop += by;
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
      for (const name of ends) document.removeEventListener(name, hold, true);
      document.removeEventListener('scroll', followed, true);
    };
  }, []);
  return null;
}
