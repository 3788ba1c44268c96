import { byLabel } from '@undrel/core/casefile';
import { needsLeft, needsOf } from '@undrel/core/costing';
import { plannedOf } from '@undrel/core/prescription';
import { writeLengths, type UnitSystem } from '@undrel/core/units';
import { isDone, type PropertyWork, type WorkTree } from '../../protocol/propertyWork';
import type { Viewer } from '../accounts/session';
import { assessed } from '../assessed';
import { loadProperty } from '../grounds/grounds';
import type { Db } from '../database/transaction';
import type { ReportSource } from '../reports/content';
import { openDraft } from '../reports/reports';
import { materialsOf, orderOf } from './order';
import { trenchWork, unpricedOf } from './worth';

/** A tree with what its newest visit is made from. */
export interface TreeSource {
  id: string;
  visitId: string;
  source: ReportSource;
}

/** Every visited tree of a property with what its newest visit is made from, and the property itself. */
export async function propertySources(db: Db, viewer: Viewer, propertyId: string, system: UnitSystem) {
  const page = await loadProperty(db, propertyId);
  if (!page) return undefined;
  const sources: TreeSource[] = [];
  for (const { id } of page.trees) {
    const draft = await openDraft(db, viewer, id, undefined, system);
    if (draft) sources.push({ id, visitId: draft.visitId, source: draft.source });
  }
  return { page, sources: sources.sort((a, b) => byLabel(a.source.tree.label, b.source.tree.label)) };
}

/** The work of one tree; undefined where nothing is prescribed. */
export function workOfTree({ id, visitId, source }: TreeSource): WorkTree | undefined {
  const { tree, events, visit, schools, table, system } = source;
  const { verdict, operations } = assessed(tree, events, visit, schools, table);
  const planned = plannedOf(operations, visit.decisions).filter((o) => o.key !== 'watch');
  if (planned.length === 0) return undefined;
  const order = orderOf(source, source.closed ?? [], id);
  const recorded = new Map((visit.work ?? []).map((w) => [w.step, w.how]));
  const said = (key: string) => ({ ...(recorded.has(key) && { done: recorded.get(key)! }) });
  const needs = needsOf(planned, visit, trenchWork(source));
  const finished = new Set([...recorded].flatMap(([step, how]) => (isDone(how) ? [step] : [])));
  const steps = order.steps.filter((s) => 'operation' in s);
  const open = steps.filter((s) => !finished.has(s.key));
  const left = needsLeft(needs, finished);
  return {
    id,
    visitId,
    label: tree.label,
    species: tree.species,
    visitDate: visit.date,
    verdict: verdict.summary,
    steps: steps.map((s) => ({
      key: s.key,
      operation: s.operation,
      title: s.title,
      text: writeLengths(s.text, system),
      season: s.season,
      year: s.year,
      first: s.first.map((f) => f.key),
      ...said(s.key),
    })),
    holds: order.steps.flatMap((s) =>
      'hold' in s
        ? [
            {
              key: s.key,
              text: s.text,
              season: s.season,
              ...(s.after && { after: s.after }),
              ...said(s.key),
            },
          ]
        : [],
    ),
    now: (open[0] ?? steps.at(-1))?.season ?? 1,
    never: order.never,
    clashes: order.clashes.map((c) => writeLengths(c, system)),
    needs: left,
    done: needs.filter((n) => n.step !== undefined && finished.has(n.step)),
    unpriced: unpricedOf(
      planned.filter((o) => open.some((step) => step.operation === o.key)),
      needs,
    ),
    materials: materialsOf(left),
  };
}

/** The work on a property, tree by tree. */
export async function propertyWork(
  db: Db,
  viewer: Viewer,
  propertyId: string,
  system: UnitSystem,
): Promise<{ work: PropertyWork; rates: ReportSource['rates'] } | undefined> {
  const found = await propertySources(db, viewer, propertyId, system);
  if (!found) return undefined;
  const { page, sources } = found;
  const trees = sources.flatMap((s) => workOfTree(s) ?? []);
  return {
    work: {
      id: page.id,
      name: page.name,
      client: page.client ?? '',
      trees,
      idle: sources.length - trees.length,
      unvisited: page.trees.length - sources.length,
      currency: sources[0]?.source.rates?.currency,
    },
    rates: sources[0]?.source.rates,
  };
}
