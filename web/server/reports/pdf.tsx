import {
  ClipPath,
  Defs,
  Document,
  Font,
  G,
  Page,
  Path,
  Rect,
  renderToBuffer,
  StyleSheet,
  Svg,
  Text,
  View,
} from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { INK } from '../../ui/drawing/inks';
import { pathOf, segmentsPath, type Drawing } from '../../ui/drawing/shapes';
import type { ReportContent, ReportCuts, ReportDig, ReportSoil, ReportTrenches } from '../../protocol/report';
import {
  CUT_REASONS_HEAD,
  SOIL_CAPTION,
  STAGES_HEAD,
  TRENCH_CAPTION,
  TRENCH_HEAD,
  WAYS_HEAD,
} from '../../ui/reportWords';
import { projectFile } from '../projectFile';

let fontsReady = false;

function fonts(): void {
  if (fontsReady) return;
  const file = (family: string, weight: number) =>
    projectFile('node_modules', '@fontsource', family, 'files', `${family}-latin-${weight}-normal.woff`);
  Font.register({
    family: 'Text',
    fonts: [400, 700].map((fontWeight) => ({
      src: file('atkinson-hyperlegible-next', fontWeight),
      fontWeight,
    })),
  });
  Font.register({
    family: 'Figures',
    fonts: [400, 700].map((fontWeight) => ({ src: file('spline-sans-mono', fontWeight), fontWeight })),
  });
  Font.registerHyphenationCallback((word) => [word]);
  fontsReady = true;
}

const s = StyleSheet.create({
  page: {
    fontFamily: 'Text',
    fontSize: 10,
    color: INK.ink,
    paddingTop: 48,
    paddingBottom: 56,
    paddingHorizontal: 40,
    lineHeight: 1.35,
  },
  head: { borderBottomWidth: 1.5, borderColor: INK.ink, paddingBottom: 6, marginBottom: 10 },
  title: { fontSize: 20, fontWeight: 700, lineHeight: 1.2 },
  h2: {
    fontSize: 13,
    fontWeight: 700,
    marginTop: 14,
    marginBottom: 4,
    borderTopWidth: 1,
    borderColor: INK.ink,
    paddingTop: 4,
  },
  h3: { fontSize: 11, fontWeight: 700, marginTop: 8 },
  muted: { color: INK.muted },
  big: { fontSize: 13, lineHeight: 1.3 },
  row: { flexDirection: 'row', borderBottomWidth: 0.5, borderColor: INK.hair, paddingVertical: 2 },
  figure: { fontFamily: 'Figures', fontWeight: 700 },
  caution: { borderLeftWidth: 3, borderColor: INK.harm, paddingLeft: 8, marginTop: 4 },
  foot: {
    position: 'absolute',
    left: 40,
    right: 40,
    bottom: 26,
    fontSize: 8,
    color: INK.muted,
    flexDirection: 'row',
    justifyContent: 'space-between',
  },
});

/** A table in columns of these shares of the width. */
function Columns({ head, rows, widths }: { head: string[]; rows: string[][]; widths: number[] }) {
  const line = (cells: string[], bold: boolean, key: number) => (
    <View key={key} style={{ flexDirection: 'row', paddingVertical: 1.5 }} wrap={false}>
      {cells.map((cell, i) => (
        <Text
          key={i}
          style={{ width: `${widths[i]}%`, paddingRight: 4, ...(bold ? { fontWeight: 700 } : {}) }}
        >
          {cell}
        </Text>
      ))}
    </View>
  );
  return (
    <View style={{ marginTop: 4 }}>
      {line(head, true, -1)}
      {rows.map((row, i) => line(row, false, i))}
    </View>
  );
}

function DigPdf({ dig }: { dig: ReportDig }) {
  return (
    <View>
      <Text style={s.h2} minPresenceAhead={420}>
        Dig
      </Text>
      <Text style={s.big}>{dig.headline}</Text>
      <DrawingPdf drawing={dig.drawing} />
      <Text style={s.muted}>
        Plan of the roots at the collar, true scale, north up; numbers are cuts of this season.
      </Text>
      {dig.facts.map((f) => (
        <Row key={f.name} name={f.name}>
          <Text>{f.text}</Text>
        </Row>
      ))}
      <Columns
        head={['root', 'kind', 'across', 'of bark', 'advice', 'because']}
        widths={[7, 18, 11, 9, 13, 42]}
        rows={dig.roots.map((r) => [r.label, r.kind, r.across, r.ofBark, r.advice, r.reasons])}
      />
      {dig.cuts.length > 0 ? (
        <Columns
          head={['cut', 'root', 'where', 'across', 'from the stem']}
          widths={[7, 9, 46, 14, 24]}
          rows={dig.cuts.map((c) => [c.number, c.label, c.where, c.diameter, c.fromStem])}
        />
      ) : null}
      {dig.never.length > 0 ? (
        <Text style={{ fontWeight: 700, marginTop: 4 }}>Never cut: {dig.never.join(', ')}.</Text>
      ) : null}
      <Columns
        head={['bark squeezed', ...dig.years]}
        widths={[28, ...dig.years.map(() => 12)]}
        rows={dig.forecast.map((f) => [f.name, ...f.shares])}
      />
      <Text style={s.muted}>{dig.forecastFrom}</Text>
      <View style={s.caution}>
        <Lines lines={dig.cautions} />
      </View>
    </View>
  );
}

function CutsPdf({ cuts }: { cuts: ReportCuts }) {
  return (
    <View>
      <Text style={s.h2} minPresenceAhead={120}>
        Cut plan
      </Text>
      <Text style={s.big}>{cuts.headline}</Text>
      <Columns head={STAGES_HEAD} widths={[12, 13, 45, 30]} rows={cuts.stages} />
      <Columns head={CUT_REASONS_HEAD} widths={[12, 18, 70]} rows={cuts.reasons} />
      <Lines lines={cuts.broken} />
      <Text style={s.muted}>{cuts.notes}</Text>
    </View>
  );
}

function SoilPdf({ soil }: { soil: ReportSoil }) {
  return (
    <View>
      <Text style={s.h2} minPresenceAhead={120}>
        Ground
      </Text>
      <Text style={s.big}>{soil.headline}</Text>
      <Lines lines={soil.lines} />
      {soil.drawing ? (
        <View wrap={false}>
          <DrawingPdf drawing={soil.drawing} />
          <Text style={s.muted}>{SOIL_CAPTION}</Text>
        </View>
      ) : null}
    </View>
  );
}

function TrenchPdf({ trenches: t }: { trenches: ReportTrenches }) {
  return (
    <View>
      <Text style={s.h2} minPresenceAhead={440}>
        Trenches
      </Text>
      <Text style={s.big}>{t.headline}</Text>
      <DrawingPdf drawing={t.drawing} />
      <Text style={s.muted}>{TRENCH_CAPTION}</Text>
      {t.spokes.length > 0 ? (
        <Columns head={TRENCH_HEAD} widths={[12, 13, 18, 15, 12, 30]} rows={t.spokes} />
      ) : null}
      <Text style={s.muted}>{t.notes}</Text>
      {t.quantities.map((q) => (
        <Row key={q.name} name={q.name}>
          <Text>{q.text}</Text>
        </Row>
      ))}
      <Columns head={WAYS_HEAD} widths={[30, 10, 12, 48]} rows={t.ways} />
      <Lines lines={t.order.map((line, i) => `${i + 1}. ${line}`)} />
    </View>
  );
}

function DrawingPdf({ drawing }: { drawing: Drawing }) {
  return (
    <Svg width={drawing.width} height={drawing.height} viewBox={`0 0 ${drawing.width} ${drawing.height}`}>
      <Rect
        x={0}
        y={0}
        width={drawing.width}
        height={drawing.height}
        fill="#FFFFFF"
        stroke={INK.ink}
        strokeWidth={1}
      />
      <Defs>
        <ClipPath id="frame">
          <Rect x={0} y={0} width={drawing.width} height={drawing.height} />
        </ClipPath>
      </Defs>
      <G clipPath="url(#frame)">
        {drawing.shapes.map((shape, i) => {
          switch (shape.as) {
            case 'area':
              return (
                <Path
                  key={i}
                  d={pathOf(shape.points, true)}
                  fill={INK[shape.tone]}
                  stroke={shape.edge ? INK[shape.edge] : undefined}
                  strokeWidth={shape.edge ? 1 : 0}
                />
              );
            case 'line':
              return (
                <Path
                  key={i}
                  d={pathOf(shape.points, false)}
                  fill="none"
                  stroke={INK[shape.tone]}
                  strokeWidth={shape.width * 0.75}
                  strokeDasharray={
                    shape.dash ? `${Math.max(1.5, shape.dash[0])} ${shape.dash[1]}` : undefined
                  }
                />
              );
            case 'marks':
              return (
                <Path
                  key={i}
                  d={segmentsPath(shape.segments)}
                  fill="none"
                  stroke={INK[shape.tone]}
                  strokeWidth={shape.width * 0.75}
                />
              );
            case 'text':
              return (
                <G key={i}>
                  <Text
                    x={shape.at[0]}
                    y={shape.at[1]}
                    textAnchor={shape.anchor}
                    fill={INK[shape.tone]}
                    style={{
                      fontFamily: shape.figures ? 'Figures' : 'Text',
                      fontSize: shape.size * 0.8,
                      fontWeight: shape.strong ? 700 : 400,
                    }}
                  >
                    {shape.text}
                  </Text>
                </G>
              );
          }
        })}
      </G>
    </Svg>
  );
}

function Lines({ lines }: { lines: readonly string[] }) {
  return lines.map((line) => (
    <Text key={line} style={{ paddingLeft: 10, textIndent: -10 }}>
      – {line}
    </Text>
  ));
}

function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <View style={s.row} wrap={false}>
      <Text style={{ width: '42%', paddingRight: 8 }}>{name}</Text>
      <View style={{ flex: 1 }}>{children}</View>
    </View>
  );
}

export interface ReportStamp {
  number: string;
  issued: string;
}

function ReportDocument({ content: c, stamp }: { content: ReportContent; stamp: ReportStamp | undefined }) {
  return (
    <Document
      title={`${stamp?.number ?? 'Draft'} ${c.tree}, ${c.property}`}
      author={c.firm}
      producer="Undrel"
      creator="Undrel"
    >
      <Page size="A4" style={s.page}>
        <View style={s.head}>
          <Text style={s.muted}>
            {c.firm} · {stamp ? `Report ${stamp.number}, issued ${stamp.issued}` : 'DRAFT, not issued'}
          </Text>
          <Text style={s.title}>{c.tree}</Text>
          <Text>
            {c.species}. {c.property}
            {c.client ? `, for ${c.client}` : ''}
          </Text>
          <Text style={s.muted}>
            Visit of {c.visitDate}
            {c.visitor ? ` by ${c.visitor}` : ''}; {c.facts.join(', ')}
          </Text>
        </View>
        {c.wording.opening ? <Text style={{ marginBottom: 8 }}>{c.wording.opening}</Text> : null}
        <Text style={s.big}>{c.wording.verdict || c.clientWords || c.verdictSummary}</Text>
        <Text style={[s.big, { fontWeight: 700, marginBottom: 8 }]}>
          {c.prescribed.length > 0
            ? `To do: ${c.prescribed.map((o) => o.title.toLowerCase()).join('; ')}.`
            : 'Nothing is prescribed.'}
        </Text>
        <DrawingPdf drawing={c.drawing} />
        <Text style={s.muted}>As found, section at true scale.</Text>

        <Text style={s.h2} minPresenceAhead={70}>
          Measured
        </Text>
        {c.measured.length === 0 ? <Text>Nothing was measured.</Text> : null}
        {c.measured.map((m) => (
          <Row key={m.name} name={m.name}>
            <Text style={s.figure}>{m.text}</Text>
            <Text style={s.muted}>{m.method}</Text>
          </Row>
        ))}
        <Text style={s.muted}>± is half a 90 % interval from the spread of the readings.</Text>
        {c.warnings.map((w) => (
          <View key={w} style={s.caution}>
            <Text>{w}</Text>
          </View>
        ))}

        {c.dig ? <DigPdf dig={c.dig} /> : null}
        {c.cuts ? <CutsPdf cuts={c.cuts} /> : null}
        {c.soil ? <SoilPdf soil={c.soil} /> : null}
        {c.trenches ? <TrenchPdf trenches={c.trenches} /> : null}

        <Text style={s.h2} minPresenceAhead={70}>
          Seen
        </Text>
        {c.clientSees ? (
          <Row name="Told on site">
            <Text>{c.clientSees}</Text>
          </Row>
        ) : null}
        {c.history.length > 0 ? (
          <Row name="History">
            <Text>{c.history.join('\n')}</Text>
          </Row>
        ) : null}
        {c.seen.map((f) => (
          <Row key={f.ask} name={f.ask}>
            <Text>{f.answer}</Text>
          </Row>
        ))}

        <Text style={s.h2} minPresenceAhead={70}>
          Verdict, with reasons
        </Text>
        <Text>{c.verdictSummary}</Text>
        {c.causes.map((cause) => (
          <View key={cause.label}>
            <Text style={s.h3} minPresenceAhead={40}>
              {cause.label}: {cause.standing}
            </Text>
            <Text style={s.muted}>{cause.mechanism}</Text>
            {cause.for.length > 0 ? <Text>For: {cause.for.join('; ')}.</Text> : null}
            {cause.against.length > 0 ? <Text>Against: {cause.against.join('; ')}.</Text> : null}
          </View>
        ))}
        {c.chain?.length ? <Text style={s.h3}>What led to what</Text> : null}
        {c.chain?.map((step) => (
          <Text key={step}>{step}</Text>
        ))}
        {c.since ? <Text style={s.h3}>Since when</Text> : null}
        {c.since ? <Text>{c.since.text}</Text> : null}
        {c.since?.drawing ? <DrawingPdf drawing={c.since.drawing} /> : null}
        {c.opinion ? <Text>The consultant puts first, against this weighing: {c.opinion}</Text> : null}
        {c.doubts?.map((doubt) => (
          <Text key={doubt}>{doubt}</Text>
        ))}
        {c.checks?.length ? (
          <Text>Worth looking at next, as it may change what is done: {c.checks.join('; ')}.</Text>
        ) : null}
        <Text style={[s.muted, { marginTop: 4 }]}>
          Weighed by practice judgements, not measured frequencies. This is an opinion from what could be
          examined, not a risk assessment.
        </Text>

        <Text style={s.h2} minPresenceAhead={70}>
          Prescription
        </Text>
        {c.drawingAfter ? <DrawingPdf drawing={c.drawingAfter} /> : null}
        {c.drawingAfter ? (
          <Text style={s.muted}>After the work prescribed, section at true scale.</Text>
        ) : null}
        {c.clashes ? (
          <View style={s.caution}>
            <Lines lines={c.clashes} />
          </View>
        ) : null}
        {c.prescribed.map((o) => (
          <View key={o.title}>
            <Text style={s.h3} minPresenceAhead={40}>
              {o.title}
            </Text>
            <Text>{o.wording || o.summary}</Text>
            {o.wording ? <Text>{o.summary}</Text> : null}
            {o.why ? <Text style={s.muted}>Because: {o.why}.</Text> : null}
            {o.quantities.map((q) => (
              <Row key={q.name} name={q.name}>
                <Text style={s.figure}>{q.text}</Text>
                <Text style={[s.muted, { fontSize: 8 }]}>{q.working}</Text>
              </Row>
            ))}
            <View style={s.caution}>
              <Text style={{ fontWeight: 700 }}>Cautions</Text>
              <Lines lines={o.cautions} />
            </View>
            <Text style={{ fontWeight: 700, marginTop: 4 }}>Method</Text>
            <Lines lines={o.method} />
            <Text style={{ fontWeight: 700, marginTop: 4 }}>Done properly when</Text>
            <Lines lines={o.acceptance} />
            <Text style={{ marginTop: 4 }}>When: {o.season}</Text>
            {o.schools.length > 0 ? (
              <Text style={s.muted}>Schools followed: {o.schools.join('; ')}.</Text>
            ) : null}
          </View>
        ))}
        {c.considered.length > 0 ? (
          <Text style={s.h3} minPresenceAhead={40}>
            Considered and not prescribed
          </Text>
        ) : null}
        {c.considered.map((o) => (
          <Row key={o.title} name={o.title}>
            <Text>{o.reason}</Text>
          </Row>
        ))}
        {c.lookAgain ? <Text style={{ marginTop: 6 }}>Look again on {c.lookAgain}</Text> : null}

        <Text style={s.h2} minPresenceAhead={70}>
          Not examined
        </Text>
        <Text>{c.notExamined.join('; ')}.</Text>
        {c.wording.closing ? <Text style={{ marginTop: 10 }}>{c.wording.closing}</Text> : null}
        <View style={s.foot} fixed>
          <Text>
            {stamp?.number ?? 'Draft'} · {c.tree}, {c.property} · engines {c.engines}
          </Text>
          <Text render={({ pageNumber, totalPages }) => `${pageNumber} of ${totalPages}`} />
        </View>
      </Page>
    </Document>
  );
}

/** The report as PDF; without a stamp it says that it is a draft. */
export function reportPdf(content: ReportContent, stamp?: ReportStamp): Promise<Buffer> {
  fonts();
  return renderToBuffer(<ReportDocument content={content} stamp={stamp} />);
}
