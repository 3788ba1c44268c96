/** A frame is not drawn where nobody looks: so long it is waited for, ms. */
const NO_FRAME = 120;

/** Comes back once what was changed last stands on the screen: what takes longer goes on after that. */
export const painted = (): Promise<void> =>
  new Promise((done) => {
    const late = setTimeout(done, NO_FRAME);
    requestAnimationFrame(() => {
      clearTimeout(late);
      setTimeout(done);
    });
  });
