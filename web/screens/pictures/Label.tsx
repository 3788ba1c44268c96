/** Words on a picture, legible on whatever lies behind them. */
export const Label = ({
  x,
  y,
  anchor,
  children,
}: {
  x: number;
  y: number;
  anchor: 'middle' | 'end';
  children: string | number;
}) => (
  <text
    x={x}
    y={y}
    textAnchor={anchor}
    fontSize={32}
    fontWeight={700}
    fill="var(--todo)"
    stroke="var(--paper)"
    strokeWidth={6}
    paintOrder="stroke"
  >
    {children}
  </text>
);
