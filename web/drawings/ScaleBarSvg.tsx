/** A scale bar at the lower left of a plan. */
export const ScaleBarSvg = ({ bar, height }: { bar: { length: number; label: string }; height: number }) => (
  <g transform={`translate(14 ${height - 14})`} aria-hidden="true">
    <path d={`M0 0H${bar.length}M0 -5V5M${bar.length} -5V5`} stroke="var(--ink)" strokeWidth="2" />
    <text y="-9" fontSize="13" fill="var(--ink)">
      {bar.label}
    </text>
  </g>
);
