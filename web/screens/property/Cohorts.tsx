'use client';

import { percent } from '@undrel/core/units';
import { useRouter } from 'next/navigation';
import { memo, startTransition, useState } from 'react';
import { Fold } from '@/ui/Fold';
import { PageLink } from '@/ui/PageLink';
import type { CohortPage, PropertyPage } from '../../protocol/grounds';
import { Select } from '../../ui/controls/Select';

/** Trees planted together: proposed by the program, confirmed by whoever knows, and what they tell of one another. */
export const Cohorts = memo(function Cohorts(props: {
  page: PropertyPage;
  mayMeasure: boolean;
  confirm: (name: string, ids: readonly string[]) => Promise<boolean>;
}) {
  const { cohorts, proposals } = props.page;
  const [busy, setBusy] = useState(false);
  const router = useRouter();
  if (cohorts.length === 0 && proposals.length === 0) return null;
  const open = proposals.filter(() => props.mayMeasure);
  return (
    <section className="my-2" aria-label="Planted together">
      {cohorts.map((cohort) => (
        <Cohort key={cohort.name} cohort={cohort} />
      ))}
      {open.length > 0 && (
        <Fold
          className="border-b border-ink"
          summaryClass="min-h-[44px] flex items-center cursor-pointer"
          summary={`Planted together? ${open.length} ${open.length === 1 ? 'group' : 'groups'} to confirm`}
        >
          <ul className="pb-2">
            {open.map(({ name, ids }) => (
              <li key={name} className="flex items-center gap-3 py-1">
                <span className="flex-1">
                  {ids.length} trees, {name}:{' '}
                  <span className="text-muted text-sm">
                    {ids
                      .slice(0, 4)
                      .map((id) => props.page.trees.find((t) => t.id === id)!.label)
                      .join(', ')}
                    {ids.length > 4 && ' …'}
                  </span>
                </span>
                <button
                  type="button"
                  className="quiet"
                  disabled={busy}
                  onClick={() => {
                    setBusy(true);
                    void props.confirm(name, ids).then((done) => {
                      setBusy(false);
                      if (done) router.refresh();
                    });
                  }}
                >
                  They were
                </button>
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </section>
  );
});

function Cohort({ cohort }: { cohort: CohortPage }) {
  const [fault, setFault] = useState(cohort.readings[0]!.fault);
  const reading = cohort.readings.find((r) => r.fault === fault)!;
  const { lower, upper, value } = reading.share;
  return (
    <details className="border-y border-ink">
      <summary className="py-2 cursor-pointer">
        <strong>
          {cohort.told
            ? `${cohort.told.planted} planted together, ${cohort.told.failed} reported failing or dead, ${cohort.readings[0]!.trees.length} looked after here`
            : `${cohort.readings[0]!.trees.length} planted together`}
          , {cohort.name}.
        </strong>{' '}
        {cohort.readings[0]!.summary}
      </summary>
      <Select
        labelClass="block my-2"
        label="Fault that came with the planting"
        options={cohort.readings.map((r) => ({
          key: r.fault,
          label: `${r.label}: ${percent(r.share.value)}`,
        }))}
        value={fault}
        onChange={(to) => to && setFault(to)}
      />
      {reading !== cohort.readings[0] && <p>{reading.summary}</p>}
      <div
        className="relative h-4 border border-ink my-1 bg-sheet"
        role="img"
        aria-label={`${percent(value)}, ${percent(lower)} to ${percent(upper)}`}
      >
        <span
          className="absolute inset-y-0 bg-wash border-x border-ink"
          style={{ left: `${100 * lower}%`, width: `${100 * (upper - lower)}%` }}
        />
        <span className="absolute inset-y-0 w-1 bg-ink" style={{ left: `${100 * value}%` }} />
      </div>
      {reading.next && (
        <p>
          Dig next:{' '}
          <PageLink href={`/trees/${reading.next.id}?station=dig`} className="font-semibold">
            {reading.next.label}
          </PageLink>
          ; it says most about the others.
        </p>
      )}
      <ul className="text-sm">
        {reading.digs.map(({ share, more }) => (
          <li key={share}>
            Whether at least {share === 0.5 ? 'half' : 'a quarter'} have it:{' '}
            {more === 0
              ? 'known, to 90%'
              : more === undefined
                ? 'not to 90% short of digging nearly all'
                : `${more} more ${more === 1 ? 'dig' : 'digs'} to be 90% sure`}
          </li>
        ))}
      </ul>
      <CohortTable reading={reading} />
      <p className="text-sm text-muted pb-2">
        Judgements of practice pooled over trees that share a planting; not measured frequencies.
      </p>
    </details>
  );
}

/** So many are seen first: the likeliest. */
const FIRST = 8;

function CohortTable({ reading: { trees } }: { reading: CohortPage['readings'][number] }) {
  const [all, setAll] = useState(false);
  return (
    <>
      {trees.length > FIRST && (
        <button type="button" className="quiet mt-2" onClick={() => startTransition(() => setAll(!all))}>
          {all ? `The ${FIRST} likeliest` : `All ${trees.length} trees`}
        </button>
      )}
      <CohortRows trees={all ? trees : trees.slice(0, FIRST)} />
    </>
  );
}

function CohortRows({ trees }: { trees: CohortPage['readings'][number]['trees'] }) {
  return (
    <table className="w-full my-2">
      <thead>
        <tr>
          <th scope="col">tree</th>
          <th scope="col" className="text-right">
            with the others
          </th>
          <th scope="col" className="text-right">
            by itself
          </th>
          <th scope="col">examined</th>
        </tr>
      </thead>
      <tbody>
        {trees.map((t) => (
          <tr key={t.id}>
            <td>
              <PageLink href={`/trees/${t.id}`} className="inline-flex items-center min-h-[36px]">
                {t.label}
              </PageLink>
            </td>
            <td className="num text-right">{percent(t.chance)}</td>
            <td className="num text-right">{percent(t.own)}</td>
            <td>{t.examined ? 'yes' : ''}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
