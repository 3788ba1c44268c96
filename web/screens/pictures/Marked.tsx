'use client';

import { useState, type ComponentProps } from 'react';
import type { PictureMark } from '@undrel/core/records';
import { ShapeSvg } from '../../drawings/DrawingSvg';
import { pictureMarks } from '../../drawings/pictureMarks';
import { pictureUrl } from '../../protocol/pictureUrl';

/** A picture with its marks over it. Its place is there before the picture is. */
export function Marked({
  picture,
  about,
  size,
  href,
  children,
  ...rest
}: {
  picture: { hash: string; width: number; height: number; marks?: readonly PictureMark[] | undefined };
  about: string;
  size?: 'small' | 'page';
  /** Where the file is, if the firm's own address is not for whoever looks. */
  href?: string;
} & ComponentProps<'svg'>) {
  const { width, height, shapes } = pictureMarks(picture);
  const [missing, setMissing] = useState(false);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={about}
      className="block w-full h-full"
      {...rest}
    >
      <rect width={width} height={height} fill="var(--wash)" />
      {missing ? (
        <text x={width / 2} y={height / 2} textAnchor="middle" fontSize={42} fill="var(--muted)">
          the file is not here
        </text>
      ) : (
        <image
          href={href ?? pictureUrl(picture.hash, size ?? 'page')}
          width={width}
          height={height}
          onError={() => setMissing(true)}
        />
      )}
      {shapes.map((shape, i) => (
        <ShapeSvg key={i} shape={shape} />
      ))}
      {children}
    </svg>
  );
}
