/** Who has pressed something often presses the next soon: a hand is at rest so long after, ms. Judgement. */
const RESTS_MS = 1200;

/** Notes when something is pressed, or a key, and tells when the hand is at rest. */
export function watchHand(on: Pick<Document, 'addEventListener'>) {
  let pressedAt = -Infinity;
  for (const press of ['pointerdown', 'keydown'])
    on.addEventListener(press, () => (pressedAt = performance.now()), { capture: true, passive: true });
  return {
    /** Comes back once nothing was pressed for a while. @param latest when it does whatever is pressed, by the clock of the page, ms */
    async atRest(latest: number): Promise<void> {
      for (;;) {
        const left = Math.min(pressedAt + RESTS_MS, latest) - performance.now();
        if (left <= 0) return;
        await new Promise((go) => setTimeout(go, left));
      }
    },
  };
}
