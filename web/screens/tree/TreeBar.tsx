'use client';

import { memo } from 'react';
import { Camera, Undo2 } from 'lucide-react';
import type { Tree } from '@undrel/core/records';
import { formatLength, shortUnit, type UnitSystem } from '@undrel/core/units';
import { PageLink } from '@/ui/PageLink';
import { treeHref } from '../../protocol/treeHref';
import { TopBar } from '../shell/TopBar';

/** What stands over a tree: where it is, what it is, undo, and its other pages. */
export const TreeBar = memo(function TreeBar({
  treeId,
  tree,
  property,
  visitId,
  visits,
  alone,
  undo,
  redo,
  mayEnter,
  system,
}: {
  treeId: string;
  tree: Tree;
  property: { id: string; name: string };
  /** The visit that is shown. */
  visitId: string | undefined;
  /** How many there are. */
  visits: number;
  alone: string | undefined;
  /** Undefined where there is nothing to undo. */
  undo: (() => void) | undefined;
  redo: (() => void) | undefined;
  mayEnter: boolean;
  system: UnitSystem;
}) {
  const facts = [
    tree.stock && `${tree.stock} ${tree.plantedYear ?? ''}`,
    !tree.stock && tree.plantedYear && `planted ${tree.plantedYear}`,
    tree.stemDiameter && `stem ${formatLength(tree.stemDiameter, shortUnit(system))}`,
    visits > 0 && `${visits} visit${visits > 1 ? 's' : ''}`,
  ].filter(Boolean);
  return (
    <TopBar
      menu={[
        { label: 'Redo', act: redo },
        { label: 'Through time', href: `/trees/${treeId}/time` },
        ...(visitId ? [{ label: 'Report', href: `/trees/${treeId}/report?visit=${visitId}` }] : []),
        { label: property.name, href: `/grounds/${property.id}` },
      ]}
      right={
        <>
          <TreeBarActions mayEnter={mayEnter} undo={undo} treeId={treeId} visitId={visitId} alone={alone} />
        </>
      }
    >
      <nav aria-label="Where" className="flex items-baseline gap-x-2 flex-wrap leading-tight">
        <PageLink href={`/grounds/${property.id}`} className="plain hidden sm:inline">
          {property.name}
        </PageLink>
        <span aria-hidden="true" className="hidden sm:inline">
          ›
        </span>
        <strong className="line-clamp-2 wrap-anywhere sm:line-clamp-none">{tree.label}</strong>
        <span className="text-sm text-muted hidden lg:inline">{facts.join(', ')}</span>
      </nav>
    </TopBar>
  );
});

function TreeBarActions({
  mayEnter,
  undo,
  treeId,
  visitId,
  alone,
}: {
  mayEnter: boolean;
  undo: (() => void) | undefined;
  treeId: string;
  visitId: string | undefined;
  alone: string | undefined;
}) {
  return (
    <>
      {mayEnter && (
        <button
          type="button"
          className="min-h-[48px] min-w-[44px] sm:min-w-0 inline-flex items-center justify-center"
          disabled={!undo}
          onClick={undo}
        >
          <Undo2
            aria-hidden="true"
            size={24}
            className={`sm:hidden ${!undo ? 'text-muted opacity-50' : ''}`}
          />
          <span className={`sr-only sm:not-sr-only ${!undo ? 'text-muted' : ''}`}>Undo</span>
        </button>
      )}
      <PageLink
        href={`/trees/${treeId}/time`}
        className="plain min-h-[44px] hidden sm:inline-flex items-center"
      >
        Through time
      </PageLink>
      {visitId && (
        <PageLink
          href={treeHref(treeId, { page: 'pictures', visit: visitId, alone })}
          className="plain min-h-[48px] min-w-[44px] sm:min-w-0 inline-flex items-center justify-center"
        >
          <Camera aria-hidden="true" size={24} className="sm:hidden" />
          <span className="sr-only sm:not-sr-only">Pictures</span>
        </PageLink>
      )}
      {visitId && (
        <PageLink
          href={`/trees/${treeId}/report?visit=${visitId}`}
          className="plain min-h-[44px] hidden sm:inline-flex items-center"
        >
          Report
        </PageLink>
      )}
    </>
  );
}
