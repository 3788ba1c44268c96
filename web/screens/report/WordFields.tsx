'use client';

import { WORDED_PARTS, type Wording } from '../../protocol/report';

/** The consultant's words, part by part. */
export function WordFields({
  mayJudge,
  alive,
  wording,
  setWording,
}: {
  mayJudge: boolean;
  alive: boolean;
  wording: Wording;
  setWording: (next: Wording) => void;
}) {
  return (
    <>
      {WORDED_PARTS.map(({ key, label, hint }) => (
        <label key={key} className="block">
          <span className="block font-semibold">{label}</span>
          <span className="block text-sm text-muted">{hint}</span>
          <textarea
            className="w-full"
            rows={3}
            maxLength={8000}
            disabled={!mayJudge || !alive}
            value={wording[key] ?? ''}
            onChange={(event) => setWording({ ...wording, [key]: event.target.value })}
          />
        </label>
      ))}
    </>
  );
}
