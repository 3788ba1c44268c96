'use client';

import { WORDED_PARTS, type ReportHead, type Wording } from '../../protocol/report';

/** Both sides of words that somebody else has changed meanwhile. */
export function ChangedByOther({
  stale,
  wording,
  onMine,
  onTheirs,
}: {
  stale: ReportHead;
  wording: Wording;
  onMine: () => void;
  onTheirs: () => void;
}) {
  return (
    <section role="alertdialog" aria-label="Changed by someone else" className="border-2 border-harm p-3">
      <p className="font-semibold">Someone else has changed these words.</p>
      {WORDED_PARTS.filter(({ key }) => (stale.wording[key] ?? '') !== (wording[key] ?? '')).map(
        ({ key, label }) => (
          <p key={key} className="mt-1">
            <strong>{label}, theirs:</strong> {stale.wording[key] || '—'}
          </p>
        ),
      )}
      <button type="button" className="act mt-2 mr-2" onClick={onMine}>
        Keep mine
      </button>
      <button type="button" className="quiet mt-2" onClick={onTheirs}>
        Take theirs
      </button>
    </section>
  );
}
