'use client';

import { CROWN_ALL, GROWTH_QUESTIONS } from '@undrel/core/questions';
import { Entry } from '../../../ui/controls/Entry';
import { LeafColours } from '../asked/LeafColours';
import { Questions } from '../asked/Questions';
import type { StationProps } from '../visitEntry';
import { treeHref } from '../../../protocol/treeHref';

export const Crown = (props: StationProps) => (
  <Entry>
    <h1>Crown</h1>
    <p className="text-muted mb-2">Colour, leaf, density, dieback; then read the shoots back.</p>
    <LeafColours
      visit={props.visit}
      href={treeHref(props.treeId, { page: 'pictures', visit: props.visitId, alone: props.alone })}
    />
    <Questions key={`crown ${props.visitId}`} {...props} questions={CROWN_ALL} />
    <details className="border-t border-ink">
      <summary className="min-h-[44px] flex items-center cursor-pointer font-semibold">
        More shoots, and rings
      </summary>
      <Questions {...props} questions={GROWTH_QUESTIONS} />
    </details>
  </Entry>
);
