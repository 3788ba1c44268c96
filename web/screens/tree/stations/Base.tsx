'use client';

import { BASE_ALL } from '@undrel/core/questions';
import { Entry } from '../../../ui/controls/Entry';
import { Questions } from '../asked/Questions';
import type { StationProps } from '../visitEntry';

export const Base = (props: StationProps) => (
  <Entry>
    <h1>Base</h1>
    <p className="text-muted mb-2">Walk once round the stem. What you checked and did not see counts too.</p>
    <Questions key={`base ${props.visitId}`} {...props} questions={BASE_ALL} />
  </Entry>
);
