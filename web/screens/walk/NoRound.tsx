/** Before a round and after it: what one is, and the way to begin. */
export function NoRound({ none, begin }: { none: boolean; begin: () => Promise<void> }) {
  return (
    <main className="p-5 max-w-xl">
      <h1>{none ? 'No round is under way' : 'The round is done'}</h1>
      <p className="my-3">
        Eight checks of each tree, from the ground, without tools: two minutes. Stay out from under anything
        that hangs or leans; what may fall is called in, not walked up to.
      </p>
      <form action={begin}>
        <button className="act">{none ? 'Begin a round' : 'Begin the next round'}</button>
      </form>
    </main>
  );
}
