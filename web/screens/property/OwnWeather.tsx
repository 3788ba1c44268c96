'use client';

import { useState } from 'react';
import { FilePick } from '../../ui/FilePick';
import { Said } from '../../ui/Said';
import { asOptions, Select } from '../../ui/controls/Select';

const UNIT_CHOICES = [
  ['temperature', 'Temperatures in', ['°C', '°F']],
  ['rain', 'Rain in', ['mm', 'in']],
  ['wind', 'Wind in', ['m/s', 'mph']],
] as const;

/** Brings in daily weather that was measured on the grounds: its units are asked once. */
export function OwnWeather({ propertyId }: { propertyId: string }) {
  const [units, setUnits] = useState<Record<string, string>>({ temperature: '°C', rain: 'mm', wind: 'm/s' });
  const [told, setTold] = useState<{ problem?: string; done?: string; notes?: string[] }>({});
  const [busy, setBusy] = useState(false);
  const bring = async (file: File) => {
    setBusy(true);
    try {
      const asks = new URLSearchParams({ ...units, name: file.name });
      const answer = await fetch(`/api/properties/${propertyId}/days?${asks}`, {
        method: 'POST',
        body: file,
      });
      setTold((await answer.json()) as typeof told);
    } catch {
      setTold({ problem: 'The server could not be reached; nothing was read. Try again.' });
    }
    setBusy(false);
  };
  return (
    <details className="no-print mb-2">
      <summary className="min-h-[44px] flex items-center cursor-pointer underline">
        Import daily weather for this property
      </summary>
      <div className="flex flex-wrap gap-3 items-end">
        {UNIT_CHOICES.map(([key, label, choices]) => (
          <Select
            key={key}
            label={label}
            className=""
            options={asOptions(choices)}
            value={units[key]}
            onChange={(unit) => unit && setUnits({ ...units, [key]: unit })}
          />
        ))}
        <FilePick
          server
          about="Daily weather as CSV or JSON: date, rain, low, high"
          label={busy ? 'Reading…' : 'Choose a CSV or JSON file'}
          accept=".csv,.json"
          disabled={busy}
          onFile={(file) => void bring(file)}
        />
      </div>
      <p className="text-sm text-muted my-1">
        Columns date, rain, low, high; where known humidity low, humidity high, wind, radiation. It joins what
        is there; load the page again to see it counted.
      </p>
      <Said
        problem={told.problem}
        told={told.done && [told.done, ...(told.notes ?? [])].map((n) => <p key={n}>{n}</p>)}
        lines={3}
      />
    </details>
  );
}
