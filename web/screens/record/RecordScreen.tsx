'use client';

import type { RecordEntry } from '../../protocol/record';
import { TreePageBar } from '../shell/TreePageBar';

/** Who wrote what and when, with what it replaced. */
export function RecordScreen({
  treeId,
  label,
  entries,
}: {
  treeId: string;
  label: string;
  entries: RecordEntry[];
}) {
  return (
    <div className="min-h-dvh">
      <TreePageBar href={`/trees/${treeId}`} label={label} page="Record of changes" />
      <main className="p-4 lg:p-8">
        <h1>Record of changes</h1>
        <p className="text-muted">
          Newest first, at most 400. A correction keeps what it replaced. Times are UTC.
        </p>
        {entries.length === 0 && <p className="told my-3">Nothing has been written yet.</p>}
        <div className="overflow-x-auto mt-3" tabIndex={0} role="region" aria-label="Record of changes">
          <table className="min-w-[44rem]">
            <thead>
              <tr>
                <th scope="col">when</th>
                <th scope="col">who</th>
                <th scope="col">what</th>
                <th scope="col">was</th>
                <th scope="col">became</th>
              </tr>
            </thead>
            <tbody>
              {entries.map((e) => (
                <tr key={e.id} className="align-top">
                  <td className="num whitespace-nowrap">{e.at}</td>
                  <td className="whitespace-nowrap">{e.by}</td>
                  <td>{e.what}</td>
                  <td>{e.from || '—'}</td>
                  <td>{e.to}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </main>
    </div>
  );
}
