import { memo } from 'react';
import { pathOf, segmentsPath, type Drawing, type Shape } from './shapes';

const tone = (name: string) => `var(--${name})`;

/** A shape that is the same object as before is not drawn again: drawings keep the shapes that did not change. */
export const ShapeSvg = memo(function ShapeSvg({ shape }: { shape: Shape }) {
  switch (shape.as) {
    case 'area':
      return (
        <path
          d={pathOf(shape.points, true)}
          fill={tone(shape.tone)}
          stroke={shape.edge ? tone(shape.edge) : 'none'}
          strokeWidth={shape.edge ? 1.5 : 0}
          strokeLinejoin="round"
        />
      );
    case 'line':
      return (
        <path
          d={pathOf(shape.points, false)}
          fill="none"
          stroke={tone(shape.tone)}
          strokeWidth={shape.width}
          strokeDasharray={shape.dash?.join(' ')}
          strokeLinejoin="round"
          strokeLinecap={shape.dash?.[0] === 0 ? 'round' : 'butt'}
        />
      );
    case 'marks':
      return (
        <path
          d={segmentsPath(shape.segments)}
          fill="none"
          stroke={tone(shape.tone)}
          strokeWidth={shape.width}
          strokeLinecap="round"
        />
      );
    case 'text':
      return (
        <text
          x={shape.at[0].toFixed(1)}
          y={shape.at[1].toFixed(1)}
          fontSize={shape.size}
          fontWeight={shape.strong ? 700 : 400}
          fontFamily={shape.figures ? 'var(--font-mono)' : 'var(--font-sans)'}
          textAnchor={shape.anchor}
          fill={tone(shape.tone)}
          stroke={shape.halo ? tone(shape.halo) : undefined}
          strokeWidth={shape.halo ? 4 : undefined}
          strokeLinejoin="round"
          paintOrder="stroke"
        >
          {shape.text}
        </text>
      );
  }
});

/** A drawing on the screen. `title` says in words what it shows. */
export function DrawingSvg({
  drawing,
  title,
  className,
  fill,
}: {
  drawing: Drawing;
  title: string;
  className?: string;
  /** Covers its place, cut where it does not fit. */
  fill?: boolean;
}) {
  return (
    <svg
      role="img"
      aria-label={title}
      className={className}
      preserveAspectRatio={fill ? 'xMidYMid slice' : undefined}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      width={drawing.width}
      height={drawing.height}
      xmlns="http://www.w3.org/2000/svg"
    >
      {drawing.shapes.map((shape, i) => (
        <ShapeSvg key={i} shape={shape} />
      ))}
    </svg>
  );
}
