'use client';

import { memo, useEffect, useMemo, useRef, type RefObject } from 'react';
import type { Glance, StationProgress } from '@undrel/core/assessment';
import type { Visit } from '@undrel/core/records';
import { vigourFrom } from '@undrel/core/crown';
import type { GroundKind } from '@undrel/core/soil';
import { formatValue, type UnitSystem } from '@undrel/core/units';
import type { Profile } from '@undrel/core/profile';
import { useAlive } from '../../ui/controls/Entry';
import { STATIONS, type StationKey } from './visitEntry';
import { PickList } from '../../ui/controls/Select';

/** What a station came to, in a few words under its name. */
const GROUND_WORDS: Record<GroundKind, string> = {
  saucer: 'holds water',
  hole: 'confined hole',
  surface: 'compacted on top',
  pan: 'a pan',
  whole: 'compacted',
  dense: 'dense',
  firm: 'firm',
  wet: 'water stands',
  open: 'open',
};

function told(
  key: StationKey,
  progress: StationProgress | undefined,
  profile: Profile,
  glance: Glance | undefined,
  visit: Visit,
  vigour: ReturnType<typeof vigourFrom>,
  system: UnitSystem,
): string {
  const short = (metres: number) => formatValue(metres, 'short length', system);
  switch (key) {
    case 'crown':
      if (vigour) return `shoots ${short(vigour.recent)}`;
      break;
    case 'base':
      if (profile.flare.looked > 0) return `flare ${profile.flare.seen} of ${profile.flare.looked}`;
      break;
    case 'mulch':
      if (profile.mulch) return `${short(profile.mulch.onBark.value)} on the bark`;
      break;
    case 'probe':
      if (profile.collar) return `collar ${short(profile.collar.depth.value)}`;
      break;
    case 'dig': {
      const roots = visit.dig?.roots.length ?? 0;
      return roots > 0 ? `${roots} root${roots === 1 ? '' : 's'}` : 'not dug';
    }
    case 'soil':
      if (glance?.ground) return GROUND_WORDS[glance.ground];
      break;
    case 'trenches':
      return visit.trenches ? 'planned' : 'not planned';
    case 'cuts':
      return visit.cuts?.agreed ? 'agreed' : (visit.dig?.roots.length ?? 0) > 0 ? 'not agreed' : 'no dig';
    case 'verdict':
      return glance ? (glance.likely > 0 ? `${glance.likely} likely` : 'open') : '…';
    case 'prescription':
      return glance ? `${glance.prescribed} prescribed` : '…';
  }
  return progress && progress.answered > 0 ? `${progress.answered} of ${progress.asked}` : 'not yet';
}

/** The stations on a plumb line, each at the height of what it looks at; on a phone a strip under the drawing, which stays when the drawing is scrolled away. */
export const StationLine = memo(function StationLine(props: {
  station: StationKey;
  goTo: (station: StationKey) => void;
  progress: readonly StationProgress[];
  profile: Profile;
  glance: Glance | undefined;
  visit: Visit;
  system: UnitSystem;
  visits: readonly { id: string; date: string }[];
  visitId: string;
  onVisit: (id: string) => void;
  onNewVisit: (() => void) | undefined;
}) {
  const here = useRef<HTMLButtonElement>(null);
  const { findings } = props.visit;
  const vigour = useMemo(() => vigourFrom(findings), [findings]);
  const alive = useAlive();
  useEffect(() => {
    // In braces: newer browsers give a promise back, which is no clean-up.
    here.current?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [props.station]);
  return (
    <div
      // Scrolled by keys as well, until the buttons within listen.
      tabIndex={alive ? undefined : 0}
      className="sticky top-0 z-10 lg:static lg:z-auto bg-sheet flex lg:flex-col shrink-0 lg:shrink lg:min-h-0 order-2 lg:order-none lg:row-start-1 border-b border-ink lg:border-0 overflow-x-auto lg:overflow-visible"
    >
      <div className="flex lg:flex-col gap-1 px-3 lg:pt-2 order-last lg:order-first items-center lg:items-stretch shrink-0">
        <label className="sr-only" htmlFor="visit">
          Visit
        </label>
        <PickList
          id="visit"
          className="num w-[8.6rem] lg:w-full text-sm"
          options={props.visits.map((v) => ({ key: v.id, label: v.date }))}
          value={props.visitId}
          disabled={!alive}
          onChange={(id) => id && props.onVisit(id)}
        />
        {props.onNewVisit && (
          <button
            type="button"
            className="link text-sm text-left whitespace-nowrap"
            disabled={!alive}
            onClick={props.onNewVisit}
          >
            New visit
          </button>
        )}
      </div>
      <nav aria-label="Stations" className="relative flex-1 shrink-0">
        <ScaleDrawn />
        <ol className="flex lg:block">
          {STATIONS.map(({ key, label, place }) => {
            const progress = props.progress.find((p) => p.station === key);
            const current = key === props.station;
            return (
              <StationEntry
                key={key}
                station={key}
                place={place}
                current={current}
                here={here}
                alive={alive}
                goTo={props.goTo}
                label={label}
                begun={isBegun(key, progress, props.visit)}
                told={told(key, progress, props.profile, props.glance, props.visit, vigour, props.system)}
              />
            );
          })}
        </ol>
      </nav>
    </div>
  );
});

function ScaleDrawn() {
  return (
    <>
      <svg
        className="hidden lg:block absolute left-[22px] top-2 bottom-2 w-4 h-[calc(100%-16px)]"
        aria-hidden="true"
        preserveAspectRatio="none"
        viewBox="0 0 16 400"
      >
        <line
          x1="8"
          y1="0"
          x2="8"
          y2="386"
          stroke="var(--muted)"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <svg
        className="hidden lg:block absolute left-[22px] bottom-0 w-4"
        height="26"
        viewBox="0 0 16 26"
        aria-hidden="true"
      >
        <path d="M1 0h14l-7 26z" fill="var(--ink)" />
      </svg>
    </>
  );
}

/** Whether anything of a station was entered. */
const isBegun = (station: StationKey, progress: StationProgress | undefined, visit: Visit) =>
  station === 'verdict' ||
  station === 'prescription' ||
  (station === 'dig' && visit.dig !== undefined) ||
  (station === 'cuts' && visit.cuts?.agreed !== undefined) ||
  (station === 'trenches' && visit.trenches !== undefined) ||
  (progress?.answered ?? 0) > 0;

const StationEntry = memo(function StationEntry({
  station,
  place,
  current,
  here,
  alive,
  goTo,
  label,
  begun,
  told,
}: {
  station: StationKey;
  place: number;
  current: boolean;
  here: RefObject<HTMLButtonElement | null>;
  alive: boolean;
  goTo: (station: StationKey) => void;
  label: string;
  begun: boolean;
  /** What it came to, in a few words. */
  told: string;
}) {
  return (
    <li className="shrink-0 lg:absolute lg:inset-x-0" style={{ top: `${place * 100}%` }}>
      <button
        type="button"
        ref={current ? here : undefined}
        disabled={!alive}
        aria-current={current ? 'step' : undefined}
        onClick={() => goTo(station)}
        className={`w-full min-h-[44px] text-left px-3 lg:pl-[16px] lg:pr-1 flex items-center gap-3 ${current ? 'bg-ink text-sheet' : ''}`}
      >
        <span
          aria-hidden="true"
          className={`hidden lg:block w-[14px] h-[14px] ml-[7px] shrink-0 rounded-full border-2 ${current ? 'bg-sheet border-sheet' : begun ? 'bg-ink border-ink' : 'bg-sheet border-ink'}`}
        />
        <span className="leading-tight">
          <span className="font-semibold whitespace-nowrap">{label}</span>
          <span className={`block text-sm whitespace-nowrap ${current ? '' : 'text-muted'}`}>{told}</span>
        </span>
      </button>
    </li>
  );
});
