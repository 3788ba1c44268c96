'use client';

import type { RootKind } from '@undrel/core/records';
import { useState } from 'react';
import { Select } from '../../../ui/controls/Select';
import { KINDS } from './RootEditor';

/** Begins a root of a kind, drawn on the plan or typed. */
export function NewRoot({ onBegin }: { onBegin: (kind: RootKind, draw: boolean) => void }) {
  const [kind, setKind] = useState<RootKind>('girdling');
  return (
    <div className="flex flex-wrap items-end gap-2 my-2">
      <Select
        label="A root"
        className=""
        options={KINDS}
        value={kind}
        onChange={(chosen) => chosen && setKind(chosen)}
      />
      <button type="button" className="act" onClick={() => onBegin(kind, true)}>
        Draw it
      </button>
      <button type="button" className="quiet" onClick={() => onBegin(kind, false)}>
        Type it
      </button>
    </div>
  );
}
