'use client';

import { Notice } from '../../ui/Notice';

export type Told = { problem?: string; notes?: string[]; done?: string; undo?: () => void };

export function ToldView({ told, onClose }: { told: Told; onClose: () => void }) {
  return (
    <Notice label="What came of it" bad={told.problem !== undefined} onClose={onClose}>
      {told.problem && <p>{told.problem}</p>}
      {told.done && (
        <p>
          {told.done}{' '}
          {told.undo && (
            <button type="button" className="link" onClick={told.undo}>
              Undo
            </button>
          )}
        </p>
      )}
      {told.notes && told.notes.length > 0 && (
        <ul className="list-disc pl-5 max-h-40 overflow-auto">
          {told.notes.map((note, i) => (
            <li key={i}>{note}</li>
          ))}
        </ul>
      )}
    </Notice>
  );
}
