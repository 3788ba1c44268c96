import type { ReactNode, RefObject } from 'react';

export interface FieldWordsProps {
  id: string;
  /** The field that they are about. */
  at: RefObject<HTMLElement | null>;
  children: ReactNode;
}
