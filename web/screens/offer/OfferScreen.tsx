'use client';

import { withTerms } from '@undrel/core/vocabulary';
import { Hinted } from '../../ui/Hinted';
import { speaker, type OFFER_WORDS, type Speaks } from '../../language/clientWords';
import { localeOf, type Messages } from '../../language/languages';
import { longDaysIn } from '../../documents/dates';
import { Said } from '../../ui/Said';
import type { OfferContent, OfferOption, OfferShown, OpenOffer } from '../../protocol/offer';
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

type Say = Speaks<(typeof OFFER_WORDS)[number]>;

const OVER = {
  expired: ['This link has expired', 'Ask the firm for a new one; nothing was approved through this one.'],
  revoked: ['This offer has been withdrawn', 'Ask the firm for a new link.'],
  unknown: ['There is nothing behind this link', 'Check that it was copied whole, to its last letter.'],
} as const;

/** What a client reads on a phone: why the tree looks bad, what can be done, what it costs, and a way to say yes. */
export function OfferScreen(props: {
  shown: OfferShown;
  /** Of this page, for what lies beneath it. */
  address: string;
  /** Of the page, where it is not English. */
  words: Messages | undefined;
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
  const t = speaker<(typeof OFFER_WORDS)[number]>(props.words);
  const known = new Set<string>();
  const day = (iso: string) => longDaysIn(iso, localeOf(c.language ?? 'en', c.paper ?? 'A4'));
  const chosen = approved && c.options.find((o) => o.key === approved.option);
  return (
    <main className="px-4 py-6 max-w-2xl mx-auto" lang={c.language}>
      <p className="text-muted">
        {c.firm}
        {c.client && `, ${t('for {name}', { name: c.client })}`}
      </p>
      <h1 className="!text-2xl">
        {c.tree}, {c.property}
      </h1>
      <p className="text-muted">
        {c.species}. {t('Examined on {at}.', { at: day(c.visitDate) })}
      </p>
      {approved && (
        <p className="told text-lg my-4" role="status">
          <strong>Approved:</strong> {chosen?.title}, by {approved.name} on {day(approved.on)}. The firm has
          it; you need do nothing more.
        </p>
      )}
      {c.danger && (
        <p className="wrong text-lg font-bold leading-snug my-4" data-testid="danger">
          {c.danger}
        </p>
      )}
      <p className="text-lg leading-snug my-4 whitespace-pre-line">
        <Hinted pieces={withTerms(c.verdict, known)} />
      </p>
      <BeforeAndAfter content={c} t={t} />
      {c.pictures && c.pictures.length > 0 && (
        <OfferPictures t={t} pictures={c.pictures} address={props.address} />
      )}
      <form action={act} className="mt-6">
        <input type="hidden" name="sha256" value={sha256} />
        <fieldset disabled={approved !== undefined}>
          <legend className="font-bold text-xl mb-1">{t('Your options')}</legend>
          {c.options.map((o) => (
            <OptionChoice key={o.key} option={o} approved={approved} state={state} t={t} />
          ))}
        </fieldset>
        {!approved && <Approve t={t} state={state} busy={busy} day={day} shown={shown} />}
      </form>
      {c.steps.length > 0 && <Treatment t={t} c={c} known={known} />}
      {c.notes.map((note) => (
        <p key={note} className="mt-3">
          {note}
        </p>
      ))}
      <WithCare t={t} content={c} day={day} sha256={sha256} />
    </main>
  );
}

function OfferPictures({
  t,
  pictures,
  address,
}: {
  t: Say;
  pictures: NonNullable<OfferContent['pictures']>;
  address: string;
}) {
  return (
    <section aria-label={t('Photographs')} className="grid sm:grid-cols-2 gap-3 mt-4">
      {pictures.map((p) => (
        <figure key={p.hash}>
          <div className="border border-ink" style={{ aspectRatio: `${p.width} / ${p.height}` }}>
            <Marked picture={p} about={p.caption} href={`${address}/${p.hash}`} />
          </div>
          <figcaption className="text-sm text-muted">{p.caption}</figcaption>
        </figure>
      ))}
    </section>
  );
}

function OptionChoice({
  option,
  approved,
  state,
  t,
}: {
  option: OfferOption;
  approved: OpenOffer['approved'];
  state: ApproveState;
  t: Say;
}) {
  return (
    <label className="flex gap-3 border-t border-ink py-3 cursor-pointer">
      <input
        type="radio"
        name="option"
        value={option.key}
        className="mt-1 shrink-0"
        defaultChecked={(approved?.option ?? state.option) === option.key}
      />
      <span className="min-w-0 flex-1">
        <span className="font-bold text-lg block">{option.title}</span>
        <span className="block">{option.what}</span>
        <span className="grid grid-cols-[auto_1fr] gap-x-3 mt-1">
          <span className="text-muted">{t('Work now')}</span>
          <span className="num text-right">{option.now}</span>
          <span className="text-muted">{t('Over 10 years')}</span>
          <span className="num text-right">{option.years}</span>
          <span className="text-muted">{t('Chance of a sound tree')}</span>
          <span className="num text-right">{option.chance}</span>
        </span>
        <span className="block text-sm mt-1">
          {t('Lost:')} {option.lost}
        </span>
        <span className="block text-sm">{option.decide}</span>
      </span>
    </label>
  );
}

function Approve({
  t,
  state,
  busy,
  day,
  shown,
}: {
  t: Say;
  state: ApproveState;
  busy: boolean;
  day: (iso: string) => string;
  shown: OpenOffer;
}) {
  return (
    <section className="border-t-2 border-ink pt-4 mt-2 space-y-3" aria-label={t('Approve')}>
      <label className="block">
        <span className="block text-sm">{t('Your name')}</span>
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
        <span className="block text-sm">{t('A word to the firm, if you like')}</span>
        <textarea className="w-full" name="note" rows={2} maxLength={2000} defaultValue={state.note} />
      </label>
      <button className="act w-full" disabled={busy}>
        {t(busy ? 'Approving…' : 'Approve this option')}
      </button>
      <Said problem={state.problem} />
      <p className="text-sm text-muted">
        {t('Your name, the day and what you see here are kept.')}{' '}
        {t('The link is open until {at}.', { at: day(shown.expires) })}
      </p>
    </section>
  );
}

function Treatment({ t, c, known }: { t: Say; c: OfferContent; known: Set<string> }) {
  return (
    <section className="mt-8">
      <h2>{t('What treating it means')}</h2>
      <ol className="list-decimal pl-6">
        {c.steps.map((s) => (
          <li key={s.title} className="mt-2">
            <strong>{s.title}.</strong> <Hinted pieces={withTerms(s.text, known)} />{' '}
            <span className="text-muted">{s.when}</span>
          </li>
        ))}
      </ol>
      {c.stages.map((s) => (
        <p key={s.title} className="mt-1">
          {s.title}: <span className="num">{s.sum}</span>
        </p>
      ))}
    </section>
  );
}

function WithCare({
  t,
  content,
  day,
  sha256,
}: {
  t: Say;
  content: OfferContent;
  day: (iso: string) => string;
  sha256: string;
}) {
  return (
    <section className="mt-6 text-sm">
      <h2>{t('With care')}</h2>
      <ul className="list-disc pl-5">
        {content.cautions.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p className="text-muted mt-3">
        {t(
          'Chances are judgements, with the range in which they may lie; sums over ten years are rounded to tens.',
        )}{' '}
        {t('This is an opinion from what could be examined, not a risk assessment.')}{' '}
        {t('Made {at}.', { at: day(content.made) })} SHA-256 <span className="num break-all">{sha256}</span>
      </p>
    </section>
  );
}

function BeforeAndAfter({ content, t }: { content: OfferContent; t: Say }) {
  return (
    <>
      <figure>
        <DrawingSvg
          drawing={content.before}
          title={t('Section through the stem, as found')}
          className="w-full h-auto border border-ink"
        />
        <figcaption className="text-sm text-muted">{t('As found.')}</figcaption>
      </figure>
      {content.after && (
        <figure className="mt-3">
          <DrawingSvg
            drawing={content.after}
            title={t('Section through the stem, after the work')}
            className="w-full h-auto border border-ink"
          />
          <figcaption className="text-sm text-muted">{t('After the work.')}</figcaption>
        </figure>
      )}
    </>
  );
}
