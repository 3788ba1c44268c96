'use client';

import { useEffect, useRef, useState } from 'react';
import { besideSector, compassReading, type CompassReading } from '@undrel/core/geometry';
import { SECTORS, sectorOf } from '@undrel/core/questions';
import { writeLengths } from '@undrel/core/units';
import { watchCompass, type Heading } from '../../device/sensors/compass';
import { keepDeclination, keptDeclination, type Declination } from '../../device/sensors/declination';
import type { CompassProps } from './compassProps';
import { usePreferences } from './preferences';
import { readPosition } from '../../device/sensors/position';

/** So much of what the compass told last is averaged, ms. */
const HELD = 1500;
const SECTOR = 45;

/** A bearing from the phone's compass, with its error, over the keys: shown as it turns, taken by a press. */
export function CompassStrip(props: CompassProps) {
  const { units } = usePreferences();
  const [declination, setDeclination] = useState(keptDeclination);
  const [finding, setFinding] = useState(false);
  const wanted = props.north === 'magnetic' ? undefined : declination?.degrees;
  const { reading, problem, setProblem } = useHeading(wanted);
  const leaving = useRef(new AbortController());
  useEffect(() => {
    const own = new AbortController();
    leaving.current = own;
    return () => own.abort();
  }, []);
  const find = async () => {
    const { signal } = leaving.current;
    setFinding(true);
    try {
      const found = await keepDeclination(await readPosition(() => undefined, signal));
      if (found) setDeclination(found);
      else setProblem('The declination needs signal once.');
    } catch (error) {
      if (!signal.aborted) setProblem(writeLengths((error as Error).message, units));
    }
    setFinding(false);
  };
  const unknown = props.north === 'true' && declination === undefined;
  return (
    <div
      role="group"
      aria-label="Compass"
      className="absolute inset-x-0 bottom-[52px] bg-sheet border-t-2 border-ink px-3 py-2"
    >
      <HowToAim
        north={props.north}
        unknown={unknown}
        declination={declination}
        finding={finding}
        find={find}
      />
      <div className="flex items-center gap-2">
        <span className="num flex-1 text-xl" role="status">
          {problem ? (
            <span className="text-base text-harm font-sans">{problem}</span>
          ) : reading ? (
            <>
              {reading.bearing}° {SECTORS[sectorOf(reading.bearing)]} ± {reading.error}°
              {besideSector(reading, SECTOR) && (
                <span className="block text-sm font-sans">may as well be the side next to it</span>
              )}
            </>
          ) : (
            'Listening…'
          )}
        </span>
        <button type="button" tabIndex={-1} className="quiet min-h-[48px]" onClick={props.onClose}>
          Cancel
        </button>
        <button
          type="button"
          tabIndex={-1}
          className="act min-h-[48px]"
          disabled={!reading || problem !== undefined}
          onClick={() => reading && props.onTake(reading.bearing)}
        >
          Take
        </button>
      </div>
    </div>
  );
}

/** What the compass says, from what was heard of it a moment ago; true north where the declination is known. */
function useHeading(declination: number | undefined) {
  const [reading, setReading] = useState<CompassReading | undefined>(undefined);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const heard = useRef<(Heading & { at: number })[]>([]);
  useEffect(() => {
    let leave: (() => void) | undefined;
    let gone = false;
    const hear = (heading: Heading) => {
      const at = performance.now();
      heard.current = [...heard.current.filter((h) => h.at > at - HELD), { ...heading, at }];
      setProblem(undefined);
      setReading(
        compassReading(
          heard.current.map((h) => h.heading),
          heading.accuracy,
          declination,
        ),
      );
    };
    watchCompass(hear, (why) => !gone && setProblem(why)).then(
      (stop) => (gone ? stop() : (leave = stop)),
      (error: Error) => !gone && setProblem(error.message),
    );
    return () => {
      gone = true;
      leave?.();
    };
  }, [declination]);
  return { reading, problem, setProblem };
}

function HowToAim({
  north,
  unknown,
  declination,
  finding,
  find,
}: {
  north: 'true' | 'magnetic';
  unknown: boolean;
  declination: Declination | undefined;
  finding: boolean;
  find: () => Promise<void>;
}) {
  return (
    <p className="text-sm">
      Stand at the stem; hold the phone flat and away from steel, its top edge pointing the way. From{' '}
      {north === 'magnetic' || unknown ? 'magnetic' : 'true'} north
      {unknown && ': the declination here is not known'}
      {north === 'true' &&
        declination &&
        `, declination ${declination.degrees < 0 ? '−' : ''}${Math.abs(declination.degrees)}° east by this phone’s position of ${declination.on}`}
      {unknown && (
        <button
          type="button"
          tabIndex={-1}
          className="link min-h-[48px] px-2"
          disabled={finding}
          onClick={() => void find()}
        >
          {finding ? 'Finding…' : 'Find it by position'}
        </button>
      )}
    </p>
  );
}
