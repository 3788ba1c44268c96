import type { ReactNode } from 'react';
import { DrawingSvg } from '../../ui/drawing/DrawingSvg';
import type { ReportContent, ReportCuts, ReportDig, ReportSoil, ReportTrenches } from '../../protocol/report';
import {
  CUT_REASONS_HEAD,
  SOIL_CAPTION,
  STAGES_HEAD,
  TRENCH_CAPTION,
  TRENCH_HEAD,
  WAYS_HEAD,
} from '../../ui/reportWords';

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-6 border-t border-ink pt-1.5 break-inside-auto">
      <h2>{title}</h2>
      {children}
    </section>
  );
}

function Pairs({
  rows,
}: {
  rows: readonly { name: string; value: string; small?: string; figure?: boolean }[];
}) {
  return (
    <dl>
      {rows.map((row) => (
        <div
          key={row.name}
          className="grid sm:grid-cols-[40%_1fr] gap-x-4 border-b border-hair py-1 break-inside-avoid"
        >
          <dt>{row.name}</dt>
          <dd className="whitespace-pre-line">
            <span className={row.figure ? 'num font-bold' : ''}>{row.value}</span>
            {row.small && <span className="block text-sm text-muted">{row.small}</span>}
          </dd>
        </div>
      ))}
    </dl>
  );
}

function Columns({ label, head, rows }: { label: string; head: string[]; rows: string[][] }) {
  return (
    <div className="overflow-x-auto my-2" tabIndex={0} role="region" aria-label={label}>
      <table className="w-full">
        <thead>
          <tr>
            {head.map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              {row.map((cell, k) => (
                <td key={k}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function DigPart({ dig }: { dig: ReportDig }) {
  return (
    <>
      <p className="text-lg font-semibold">{dig.headline}</p>
      <figure className="my-2">
        <DrawingSvg
          drawing={dig.drawing}
          title="Plan of the roots at the collar"
          className="w-full h-auto border border-ink"
        />
        <figcaption className="text-sm text-muted">
          Plan of the roots at the collar, true scale, north up; numbers are cuts of this season.
        </figcaption>
      </figure>
      <Pairs rows={dig.facts.map((f) => ({ name: f.name, value: f.text }))} />
      <Columns
        label="Roots"
        head={['root', 'kind', 'across', 'of bark', 'advice', 'because']}
        rows={dig.roots.map((r) => [r.label, r.kind, r.across, r.ofBark, r.advice, r.reasons])}
      />
      {dig.cuts.length > 0 && (
        <Columns
          label="Cuts"
          head={['cut', 'root', 'where', 'across', 'from the stem']}
          rows={dig.cuts.map((k) => [k.number, k.label, k.where, k.diameter, k.fromStem])}
        />
      )}
      {dig.never.length > 0 && <p className="font-bold">Never cut: {dig.never.join(', ')}.</p>}
      <Columns
        label="Forecast"
        head={['bark squeezed', ...dig.years]}
        rows={dig.forecast.map((f) => [f.name, ...f.shares])}
      />
      <p className="text-sm text-muted">{dig.forecastFrom}</p>
      {dig.cautions.map((line) => (
        <p key={line} className="wrong my-1">
          {line}
        </p>
      ))}
    </>
  );
}

function CutsPart({ cuts }: { cuts: ReportCuts }) {
  return (
    <>
      <p className="text-lg font-semibold">{cuts.headline}</p>
      <Columns label="Stages of the cut plan" head={STAGES_HEAD} rows={cuts.stages} />
      <Columns label="Root by root" head={CUT_REASONS_HEAD} rows={cuts.reasons} />
      {cuts.broken.map((line) => (
        <p key={line} className="wrong my-1">
          {line}
        </p>
      ))}
      <p className="text-sm text-muted">{cuts.notes}</p>
    </>
  );
}

function SoilPart({ soil }: { soil: ReportSoil }) {
  return (
    <>
      <p className="text-lg font-semibold">{soil.headline}</p>
      {soil.lines.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {soil.drawing && (
        <figure className="my-2">
          <DrawingSvg
            drawing={soil.drawing}
            title={SOIL_CAPTION}
            className="w-full h-auto border border-ink"
          />
          <figcaption className="text-sm text-muted">{SOIL_CAPTION}</figcaption>
        </figure>
      )}
    </>
  );
}

function TrenchPart({ trenches: t }: { trenches: ReportTrenches }) {
  return (
    <>
      <p className="text-lg font-semibold">{t.headline}</p>
      <figure className="my-2">
        <DrawingSvg
          drawing={t.drawing}
          title="Plan of the trenches on their site"
          className="w-full h-auto border border-ink"
        />
        <figcaption className="text-sm text-muted">{TRENCH_CAPTION}</figcaption>
      </figure>
      {t.spokes.length > 0 && <Columns label="Trenches" head={TRENCH_HEAD} rows={t.spokes} />}
      <p className="text-sm text-muted">{t.notes}</p>
      {t.quantities.length > 0 && <Pairs rows={t.quantities.map((q) => ({ name: q.name, value: q.text }))} />}
      <Columns label="Ways of opening the soil" head={WAYS_HEAD} rows={t.ways} />
      <ol className="list-decimal pl-5">
        {t.order.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
    </>
  );
}

/** The report as it reads, on screen and on paper; the PDF has the same words and the same drawings. */
export function ReportBody({
  content: c,
  number,
  issued,
}: {
  content: ReportContent;
  number?: string;
  issued?: string;
}) {
  return (
    <article className="max-w-[46rem]" aria-label="Report">
      <header className="border-b-2 border-ink pb-2">
        <p className="text-muted">
          {c.firm} · {number ? `Report ${number}, issued ${issued}` : 'Draft, not issued'}
        </p>
        <h1 className="!text-3xl">{c.tree}</h1>
        <p>
          {c.species}. {c.property}
          {c.client && `, for ${c.client}`}
        </p>
        <p className="text-muted">
          Visit of {c.visitDate}
          {c.visitor && ` by ${c.visitor}`}; {c.facts.join(', ')}
        </p>
      </header>
      {c.wording.opening && <p className="mt-3 whitespace-pre-line">{c.wording.opening}</p>}
      <p className="text-xl leading-snug mt-4 whitespace-pre-line">
        {c.wording.verdict || c.clientWords || c.verdictSummary}
      </p>
      <p className="text-xl leading-snug font-bold mb-4">
        {c.prescribed.length > 0
          ? `To do: ${c.prescribed.map((o) => o.title.toLowerCase()).join('; ')}.`
          : 'Nothing is prescribed.'}
      </p>
      <figure>
        <DrawingSvg
          drawing={c.drawing}
          title="Section through the stem, as found"
          className="w-full h-auto border border-ink"
        />
        <figcaption className="text-sm text-muted">As found, section at true scale.</figcaption>
      </figure>
      <Part title="Measured">
        {c.measured.length === 0 && <p>Nothing was measured.</p>}
        <Pairs
          rows={c.measured.map((m) => ({ name: m.name, value: m.text, small: m.method, figure: true }))}
        />
        {c.measured.length > 0 && (
          <p className="text-sm text-muted mt-1">
            ± is half a 90 % interval from the spread of the readings.
          </p>
        )}
        {c.warnings.map((w) => (
          <p key={w} className="wrong my-2">
            {w}
          </p>
        ))}
      </Part>
      {c.dig && (
        <Part title="Dig">
          <DigPart dig={c.dig} />
        </Part>
      )}
      {c.cuts && (
        <Part title="Cut plan">
          <CutsPart cuts={c.cuts} />
        </Part>
      )}
      {c.soil && (
        <Part title="Ground">
          <SoilPart soil={c.soil} />
        </Part>
      )}
      {c.trenches && (
        <Part title="Trenches">
          <TrenchPart trenches={c.trenches} />
        </Part>
      )}
      <Part title="Seen">
        <Pairs
          rows={[
            ...(c.clientSees ? [{ name: 'Told on site', value: c.clientSees }] : []),
            ...(c.history.length > 0 ? [{ name: 'History', value: c.history.join('\n') }] : []),
            ...c.seen.map((f) => ({ name: f.ask, value: f.answer })),
          ]}
        />
      </Part>
      <Part title="Verdict, with reasons">
        <p>{c.verdictSummary}</p>
        {c.causes.map((cause) => (
          <div key={cause.label} className="mt-3 break-inside-avoid">
            <h3 className="font-bold">
              {cause.label}: {cause.standing}
            </h3>
            <p className="text-muted">{cause.mechanism}</p>
            {cause.for.length > 0 && <p>For: {cause.for.join('; ')}.</p>}
            {cause.against.length > 0 && <p>Against: {cause.against.join('; ')}.</p>}
          </div>
        ))}
        {c.chain?.length ? (
          <>
            <h3 className="font-bold mt-3">What led to what</h3>
            {c.chain.map((step) => (
              <p key={step}>{step}</p>
            ))}
          </>
        ) : null}
        {c.since && (
          <>
            <h3 className="font-bold mt-3">Since when</h3>
            <p>{c.since.text}</p>
            {c.since.drawing && (
              <DrawingSvg drawing={c.since.drawing} title={c.since.text} className="w-full max-w-xl h-auto" />
            )}
          </>
        )}
        {c.opinion && (
          <p className="mt-3">
            <strong>The consultant puts first, against this weighing:</strong> {c.opinion}
          </p>
        )}
        {(c.doubts ?? []).map((doubt) => (
          <p key={doubt} className="mt-2">
            {doubt}
          </p>
        ))}
        {c.checks?.length ? (
          <p className="mt-2">Worth looking at next, as it may change what is done: {c.checks.join('; ')}.</p>
        ) : null}
        <p className="text-sm text-muted mt-2">
          Weighed by practice judgements, not measured frequencies. This is an opinion from what could be
          examined, not a risk assessment.
        </p>
      </Part>
      <Part title="Prescription">
        {c.drawingAfter && (
          <figure className="mt-2">
            <DrawingSvg
              drawing={c.drawingAfter}
              title="Section through the stem, after the work"
              className="w-full h-auto border border-ink"
            />
            <figcaption className="text-sm text-muted">
              After the work prescribed, section at true scale.
            </figcaption>
          </figure>
        )}
        {c.clashes?.map((line) => (
          <p key={line} className="wrong my-1">
            {line}
          </p>
        ))}
        {c.prescribed.map((o) => (
          <div key={o.title} className="mt-4">
            <h3 className="font-bold text-lg">{o.title}</h3>
            {o.wording && <p className="whitespace-pre-line">{o.wording}</p>}
            <p>{o.summary}</p>
            {o.why && <p className="text-muted">Because: {o.why}.</p>}
            <Pairs
              rows={o.quantities.map((q) => ({
                name: q.name,
                value: q.text,
                small: q.working,
                figure: true,
              }))}
            />
            <List title="Cautions" lines={o.cautions} harm />
            <List title="Method" lines={o.method} />
            <List title="Done properly when" lines={o.acceptance} />
            <p className="mt-2">When: {o.season}</p>
            {o.schools.length > 0 && (
              <p className="text-sm text-muted">Schools followed: {o.schools.join('; ')}.</p>
            )}
          </div>
        ))}
        {c.considered.length > 0 && (
          <>
            <h3 className="font-bold mt-4">Considered and not prescribed</h3>
            <Pairs rows={c.considered.map((o) => ({ name: o.title, value: o.reason }))} />
          </>
        )}
        {c.lookAgain && <p className="mt-3">Look again on {c.lookAgain}</p>}
      </Part>
      <Part title="Not examined">
        <p>{c.notExamined.join('; ')}.</p>
      </Part>
      {c.wording.closing && <p className="mt-5 whitespace-pre-line">{c.wording.closing}</p>}
      <p className="text-sm text-muted mt-6">Engines {c.engines}.</p>
    </article>
  );
}

function List({ title, lines, harm }: { title: string; lines: readonly string[]; harm?: boolean }) {
  return (
    <div className={`mt-2 break-inside-avoid ${harm ? 'wrong' : ''}`}>
      <h4 className="font-semibold">{title}</h4>
      <ul className="list-disc pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </div>
  );
}
