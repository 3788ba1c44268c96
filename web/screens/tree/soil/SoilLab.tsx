'use client';

import { dayAfter } from '@undrel/core/vocabulary';
import { headOf, idOf } from '@undrel/core/records';
import Papa from 'papaparse';
import { useState } from 'react';
import { readLab } from '@undrel/core/soil';
import { FileNotice } from '../../../ui/Notice';
import { LAB_DAYS } from '../../../protocol/soilLab';
import { FilePick } from '../../../ui/FilePick';
import type { StationProps } from '../visitEntry';
import { ServerButton } from '../../../ui/FromServer';

/** The results in a file of a laboratory, or which column it lacks. */
function readCsv(csv: string): ReturnType<typeof readLab> | { problem: string } {
  const { data, meta } = Papa.parse<Record<string, string>>(csv, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  const missing = ['parameter', 'value'].find((head) => !meta.fields?.includes(head));
  if (missing)
    return {
      problem: `The column “${missing}” is missing; the file has: ${meta.fields?.join(', ') || 'nothing'}.`,
    };
  const cell = (row: Record<string, string>, name: string) => (row[name] ?? '').trim();
  return readLab(
    data.map((row) => ({
      parameter: cell(row, 'parameter'),
      value: cell(row, 'value'),
      unit: cell(row, 'unit'),
    })),
  );
}

/** A sample sent to the laboratory, and its results when they come: asked for, or from its file. */
export function SoilLab({ control, visit, visitId, treeId, tree, mayMeasure, today }: StationProps) {
  const order = visit.labOrder;
  const [label, setLabel] = useState(`${tree.label}, ${visit.date}, 0-20 cm`);
  const [told, setTold] = useState<string[]>([]);
  const [busy, setBusy] = useState(false);
  if (!mayMeasure)
    return order ? (
      <p>
        Soil sample {order.label}: results expected {order.ready}.
      </p>
    ) : null;
  const take = (csv: string) => {
    const read = readCsv(csv);
    if ('problem' in read) return setTold([read.problem]);
    control.setAll(
      read.findings.map((values) => ({
        kind: 'finding' as const,
        id: idOf('finding', visitId, { key: values.key }),
        parent: visitId,
        values,
      })),
    );
    setTold([
      `${read.findings.length} of ${read.told.length} results taken into the visit.`,
      ...read.told,
      ...read.notes,
    ]);
  };
  const ask = async () => {
    setBusy(true);
    const answer = await fetch(
      `/api/soil-lab?label=${encodeURIComponent(order!.label)}&sent=${order!.sent}`,
    ).catch(() => undefined);
    setBusy(false);
    if (answer?.ok) return take(await answer.text());
    const problem = (await answer?.json().catch(() => undefined)) as { problem?: string } | undefined;
    setTold([problem?.problem ?? 'The laboratory could not be reached; try again.']);
  };
  const send = () => {
    const ready = dayAfter(today, LAB_DAYS);
    control.set('visit', visitId, treeId, {
      ...headOf(visit),
      labOrder: { label: label.trim(), sent: today, ready },
    });
  };
  return (
    <div className="py-2 border-b border-hair" role="group" aria-label="Soil laboratory">
      <h3 className="font-semibold">Soil laboratory</h3>
      {order ? (
        <SampleSent order={order} today={today} busy={busy} ask={ask} />
      ) : (
        <LabelOnBag label={label} setLabel={setLabel} send={send} />
      )}
      <p className="text-sm text-muted">
        Samples go to a simulated laboratory; a file of any other comes in as CSV: parameter, value, unit.
      </p>
      <FilePick
        about="Results of a soil laboratory: CSV"
        label="Bring results in"
        accept=".csv"
        onFile={(file) => void file.text().then(take)}
      />
      <FileNotice lines={told} onClose={() => setTold([])} />
    </div>
  );
}

function SampleSent({
  order,
  today,
  busy,
  ask,
}: {
  order: NonNullable<StationProps['visit']['labOrder']>;
  today: string;
  busy: boolean;
  ask: () => Promise<void>;
}) {
  return (
    <p>
      Sample “{order.label}” sent on {order.sent}; results expected {order.ready}.{' '}
      {order.ready <= today ? (
        <ServerButton type="button" className="link min-h-[44px]" disabled={busy} onClick={() => void ask()}>
          Read the results
        </ServerButton>
      ) : (
        'Advice on chlorosis waits for them.'
      )}
    </p>
  );
}

function LabelOnBag({
  label,
  setLabel,
  send,
}: {
  label: string;
  setLabel: (next: string) => void;
  send: () => void;
}) {
  return (
    <div className="grid grid-cols-[1fr_auto] gap-2 items-end">
      <label className="block">
        <span className="block text-sm">Label on the bag</span>
        <input
          className="w-full"
          maxLength={120}
          value={label}
          onChange={(event) => setLabel(event.target.value)}
        />
      </label>
      <button type="button" className="quiet" disabled={label.trim() === ''} onClick={send}>
        Send a sample
      </button>
    </div>
  );
}
