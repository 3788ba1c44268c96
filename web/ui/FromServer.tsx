'use client';

import type { ComponentProps } from 'react';
import { useOnline } from './useOnline';

/** What is added to whatever is out of reach: it looks so and is told so, and stays where it is. */
export const OUT_OF_REACH = {
  'data-away': true,
  title: 'Needs signal',
  'aria-description': 'Needs signal',
} as const;

/** A button for what the server alone can do; without signal it says so before it is pressed. */
export function ServerButton({ type = 'button', ...props }: ComponentProps<'button'>) {
  const online = useOnline();
  return <button type={type} {...props} {...(!online && OUT_OF_REACH)} />;
}

/** A link to a file that the server makes; without signal it says so before it is pressed. */
export function ServerFile(props: ComponentProps<'a'>) {
  const online = useOnline();
  return <a {...props} {...(!online && OUT_OF_REACH)} />;
}
