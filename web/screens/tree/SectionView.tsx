'use client';

import { memo, useMemo, useRef } from 'react';
import { answerTo } from '@undrel/core/questions';
import type { Tree, TreeEvent, Visit } from '@undrel/core/records';
import { yearOf } from '@undrel/core/vocabulary';
import type { PlannedWork } from '@undrel/core/prescription';
import { sectionOf, type Profile } from '@undrel/core/profile';
import { formatQuantity, formatValue, type UnitSystem } from '@undrel/core/units';
import { CutDial } from '../../drawings/CutDial';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { sectionDrawing } from '../../drawings/section';
import type { Drawing } from '../../drawings/shapes';
import { keepSame } from '../../protocol/keepSame';
import { useAlive } from '../../ui/controls/Entry';
import { useDugSection } from './dig/useDugSection';
import { useMeasured } from '../../ui/useMeasured';

/** What the section shows, in a sentence for those who do not see it. */
function inWords({ collar, mulch, fill }: Profile, bearing: number, system: UnitSystem): string {
  return [
    `Section through the stem at ${bearing} degrees, true scale.`,
    collar ? `Collar depth ${formatQuantity(collar.depth, system)}.` : 'Collar not probed.',
    mulch ? `Mulch on the bark ${formatQuantity(mulch.onBark, system)}.` : '',
    fill ? `Fill ${formatValue(fill.atStem.value, 'short length', system)}.` : '',
  ].join(' ');
}

export interface SectionProps {
  profile: Profile;
  work: PlannedWork;
  tree: Tree;
  visit: Visit;
  events: readonly TreeEvent[];
  bearing: number;
  onTurn: (bearing: number) => void;
  when: 'before' | 'after';
  onWhen: (when: 'before' | 'after') => void;
  system: UnitSystem;
}

/** The section as it is drawn, its shapes that did not change the same as before; nothing before its size is known. */
function useDrawing(
  { profile, work, tree, visit, events, bearing, when, system }: SectionProps,
  size: { width: number; height: number },
  known: boolean,
  compact: boolean,
): Drawing {
  const dug = useDugSection(tree, visit, bearing);
  const kept = useRef<Drawing>(undefined);
  return useMemo(() => {
    if (!known) return { ...size, shapes: [] };
    const filled = events.find((e) => e.kind === 'soil added');
    kept.current = keepSame(
      kept.current,
      sectionDrawing({
        section: sectionOf(profile, bearing),
        profile,
        work,
        when,
        width: size.width,
        height: size.height,
        system,
        compact,
        cornerTaken: true,
        topsoil: answerTo(visit.findings, 'probe.topsoil')?.number,
        refusal: answerTo(visit.findings, 'probe.refusal')?.number,
        dug,
        fillNote: filled ? `fill since ${yearOf(filled.when)}` : undefined,
      }),
    );
    return kept.current;
  }, [profile, bearing, work, when, size, known, system, compact, visit.findings, events, dug]);
}

export const SectionView = memo(function SectionView(props: SectionProps) {
  const { profile, work, bearing, when, system } = props;
  const [ref, size, known] = useMeasured<HTMLDivElement>({ width: 632, height: 752 });
  const compact = size.width < 520;
  const alive = useAlive();
  const drawing = useDrawing(props, size, known, compact);
  const { flare } = profile;
  return (
    <div
      ref={ref}
      className="@container relative h-full w-full overflow-hidden bg-paper"
      data-testid="section"
    >
      <DrawingSvg drawing={drawing} title={inWords(profile, bearing, system)} className="absolute inset-0" />
      <div className="absolute flex flex-col items-end top-1 right-1 @min-[520px]:top-3 @min-[520px]:right-4">
        <CutDial
          bearing={bearing}
          onTurn={props.onTurn}
          sectors={flare.sectors}
          className="size-[88px] @min-[520px]:size-[120px]"
        />
        <p className="hidden @min-[520px]:block text-sm text-right leading-snug">
          {flare.looked > 0 ? `flare seen on ${flare.seen} of ${flare.looked} sides` : 'flare not examined'}
          <br />
          cut at {bearing}°
        </p>
      </div>
      {(work.floor !== undefined || work.ring !== undefined) && (
        <div
          className="absolute flex bottom-1 right-1 @min-[520px]:bottom-auto @min-[520px]:right-auto @min-[520px]:top-3 @min-[520px]:left-3"
          role="group"
          aria-label="Show"
        >
          {(['before', 'after'] as const).map((option) => (
            <button
              key={option}
              type="button"
              aria-pressed={when === option}
              disabled={!alive}
              onClick={() => props.onWhen(option)}
              className={`min-h-[44px] px-3 border border-ink -ml-px ${when === option ? 'bg-ink text-sheet' : 'bg-sheet'}`}
            >
              {option === 'before' ? 'As found' : 'After work'}
            </button>
          ))}
        </div>
      )}
    </div>
  );
});
