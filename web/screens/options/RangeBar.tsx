/** A judgement between two ends as a bar on its scale; the figures stand beside it. */
export function RangeBar(props: { from: number; to: number; most: number; kind: 'todo' | 'ink' }) {
  const { from, to, most, kind } = props;
  const at = (value: number) => (most > 0 ? (100 * Math.max(0, value)) / most : 0);
  return (
    <svg viewBox="0 0 100 8" className="w-full h-2 block" preserveAspectRatio="none" aria-hidden="true">
      <line
        x1="0"
        x2="100"
        y1="4"
        y2="4"
        stroke="var(--hair)"
        strokeWidth="1"
        vectorEffect="non-scaling-stroke"
      />
      <rect
        x={at(from)}
        y="0"
        width={Math.max(1, at(to) - at(from))}
        height="8"
        fill={kind === 'todo' ? 'var(--todo)' : 'var(--ink)'}
      />
    </svg>
  );
}
