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
 * it pushes, before anything is painted, so that the next press meets what the eye saw. It follows scrolling, and ends when
 * something else is pressed or it is gone.
 */
export function KeepStill() {
  useEffect(() => {
    let held: { element: Element; top: number } | undefined;
    const hold = (event: Event) => {
      const element = event.target instanceof Element ? event.target.closest(PRESSABLE) : null;
      if (!element) return release();
      held = { element, top: element.getBoundingClientRect().top };
      document.documentElement.setAttribute('data-still', '');
    };
    const release = () => {
      held = undefined;
      document.documentElement.removeAttribute('data-still');
    };
    const followed = () => {
      if (held) held.top = held.element.getBoundingClientRect().top;
    };
    const settle = () => {
      if (!held) return;
      const { element, top } = held;
      const box = element.getBoundingClientRect();
      if (!element.isConnected || box.height === 0) return release();
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
      release();
      for (const name of ends) document.removeEventListener(name, hold, true);
      document.removeEventListener('scroll', followed, true);
    };
  }, []);
  return null;
}
