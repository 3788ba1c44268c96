'use client';

import { Said } from '../../ui/Said';
import type { OfferContent } from '../../protocol/offer';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { Marked } from '../pictures/Marked';
import { useKeptForm } from '../../ui/useKeptForm';

export interface ApproveState {
  option: string;
  name: string;
  note: string;
  sha256: string;
  problem?: string;
}

type Shown =
  | {
      state: 'open' | 'approved';
      content: OfferContent;
      sha256: string;
      expires: string;
      approved?: { option: string; name: string; on: string };
    }
  | { state: 'expired' | 'revoked' | 'unknown' };

const OVER = {
  expired: ['This link has expired', 'Ask the firm for a new one; nothing was approved through this one.'],
  revoked: ['This offer was taken back', 'Ask the firm for a new link.'],
  unknown: ['There is nothing behind this link', 'Check that it was copied whole, to its last letter.'],
} as const;

/** What a client reads on a phone: why the tree looks bad, what can be done, what it costs, and a way to say yes. */
export function OfferScreen(props: {
  shown: Shown;
  /** Of this page, for what lies beneath it. */
  address: string;
  approve: (state: ApproveState, form: FormData) => Promise<ApproveState>;
}) {
  const { shown } = props;
  const [state, act, busy] = useKeptForm(props.approve, { option: '', name: '', note: '', sha256: '' });
  if (!('content' in shown)) {
    const [title, text] = OVER[shown.state as keyof typeof OVER];
    return (
      <main className="p-6 max-w-md">
        <h1>{title}</h1>
        <p className="my-3">{text}</p>
      </main>
    );
  }
  const { content: c, approved, sha256 } = shown;
  const chosen = approved && c.options.find((o) => o.key === approved.option);
  return (
    <main className="px-4 py-6 max-w-2xl mx-auto">
      <p className="text-muted">
        {c.firm}
        {c.client && `, for ${c.client}`}
      </p>
      <h1 className="!text-2xl">
        {c.tree}, {c.property}
      </h1>
      <p className="text-muted">
        {c.species}. Looked at on {c.visitDate}.
      </p>
      {approved && (
        <p className="told text-lg my-4" role="status">
          <strong>Approved:</strong> {chosen?.title}, by {approved.name} on {approved.on}. The firm has it;
          you need do nothing more.
        </p>
      )}
      {c.danger && (
        <p className="wrong text-lg font-bold leading-snug my-4" data-testid="danger">
          {c.danger}
        </p>
      )}
      <p className="text-lg leading-snug my-4 whitespace-pre-line">{c.verdict}</p>
      <figure>
        <DrawingSvg
          drawing={c.before}
          title="Section through the stem, as found"
          className="w-full h-auto border border-ink"
        />
        <figcaption className="text-sm text-muted">As found.</figcaption>
      </figure>
      {c.after && (
        <figure className="mt-3">
          <DrawingSvg
            drawing={c.after}
            title="Section through the stem, after the work"
            className="w-full h-auto border border-ink"
          />
          <figcaption className="text-sm text-muted">After the work.</figcaption>
        </figure>
      )}
      {c.pictures && c.pictures.length > 0 && (
        <section aria-label="Photographs" className="grid sm:grid-cols-2 gap-3 mt-4">
          {c.pictures.map((p) => (
            <figure key={p.hash}>
              <div className="border border-ink" style={{ aspectRatio: `${p.width} / ${p.height}` }}>
                <Marked picture={p} about={p.caption} href={`${props.address}/${p.hash}`} />
              </div>
              <figcaption className="text-sm text-muted">{p.caption}</figcaption>
            </figure>
          ))}
        </section>
      )}
      <form action={act} className="mt-6">
        <input type="hidden" name="sha256" value={sha256} />
        <fieldset disabled={approved !== undefined}>
          <legend className="font-bold text-xl mb-1">Your options</legend>
          {c.options.map((o) => (
            <label key={o.key} className="flex gap-3 border-t border-ink py-3 cursor-pointer">
              <input
                type="radio"
                name="option"
                value={o.key}
                className="mt-1 shrink-0"
                defaultChecked={(approved?.option ?? state.option) === o.key}
              />
              <span className="min-w-0 flex-1">
                <span className="font-bold text-lg block">{o.title}</span>
                <span className="block">{o.what}</span>
                <span className="grid grid-cols-[auto_1fr] gap-x-3 mt-1">
                  <span className="text-muted">Work now</span>
                  <span className="num text-right">{o.now}</span>
                  <span className="text-muted">Over 10 years</span>
                  <span className="num text-right">{o.years}</span>
                  <span className="text-muted">Chance of a sound tree</span>
                  <span className="num text-right">{o.chance}</span>
                </span>
                <span className="block text-sm mt-1">Lost: {o.lost}</span>
                <span className="block text-sm">{o.decide}</span>
              </span>
            </label>
          ))}
        </fieldset>
        {!approved && (
          <section className="border-t-2 border-ink pt-4 mt-2 space-y-3" aria-label="Approve">
            <label className="block">
              <span className="block text-sm">Your name</span>
              <input
                className="w-full"
                name="name"
                required
                maxLength={120}
                autoComplete="name"
                defaultValue={state.name}
              />
            </label>
            <label className="block">
              <span className="block text-sm">A word to the firm, if you like</span>
              <textarea className="w-full" name="note" rows={2} maxLength={2000} defaultValue={state.note} />
            </label>
            <button className="act w-full" disabled={busy}>
              {busy ? 'Approving…' : 'Approve this option'}
            </button>
            <Said problem={state.problem} />
            <p className="text-sm text-muted">
              Your name, the day and what you see here are kept. The link is open until {shown.expires}.
            </p>
          </section>
        )}
      </form>
      {c.steps.length > 0 && (
        <section className="mt-8">
          <h2>What treating it means</h2>
          <ol className="list-decimal pl-6">
            {c.steps.map((s) => (
              <li key={s.title} className="mt-2">
                <strong>{s.title}.</strong> {s.text} <span className="text-muted">{s.when}</span>
              </li>
            ))}
          </ol>
          {c.stages.map((s) => (
            <p key={s.title} className="mt-1">
              {s.title}: <span className="num">{s.sum}</span>
            </p>
          ))}
        </section>
      )}
      {c.notes.map((note) => (
        <p key={note} className="mt-3">
          {note}
        </p>
      ))}
      <section className="mt-6 text-sm">
        <h2>With care</h2>
        <ul className="list-disc pl-5">
          {c.cautions.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
        <p className="text-muted mt-3">
          Chances are judgements, with the range in which they may lie; sums over ten years are rounded to
          tens. This is an opinion from what could be examined, not a risk assessment. Made {c.made}. SHA-256{' '}
          <span className="num break-all">{sha256}</span>
        </p>
      </section>
    </main>
  );
}
