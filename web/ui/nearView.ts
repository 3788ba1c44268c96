/** Of the height of the view: a screen on, whoever scrolls finds it made. Judgement. */
const MARGIN = '100%';

/**
 * Calls back once, when an element is seen or soon will be.
 *
 * @returns ends the watching
 */
export function whenNear(element: Element, call: () => void): () => void {
  // What scrolls by itself within the page has its own edges.
  const margins = { rootMargin: MARGIN, scrollMargin: MARGIN };
  const watch = new IntersectionObserver((entries) => {
    if (!entries.some((entry) => entry.isIntersecting)) return;
    watch.disconnect();
    call();
  }, margins);
  watch.observe(element);
  return () => watch.disconnect();
}
