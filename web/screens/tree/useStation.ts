import { useCallback, useEffect, useRef, useState } from 'react';
import { toEntry } from './EntryColumn';
import { anyHeld, whenNothingHeld } from '../../ui/controls/typedAhead';
import { STATIONS, type StationKey } from './visitEntry';

/** The station that is open, kept in the address; and the way to another. @param asked by the address, as the server read it */
export function useStation(asked: string | undefined): [StationKey, (next: StationKey) => void] {
  const [station, setStation] = useState<StationKey>(STATIONS.find((s) => s.key === asked)?.key ?? 'mulch');
  const shown = useRef(station);
  useEffect(() => {
    // A page kept on this device was made for another station than the address names now. Who has begun to type stays.
    if (anyHeld()) return window.history.replaceState(null, '', `?station=${shown.current}`);
    const named = new URLSearchParams(window.location.search).get('station');
    const known = STATIONS.find((s) => s.key === named);
    if (known) setStation(known.key);
  }, []);
  const goTo = useCallback((next: StationKey) => {
    // What is held of the fields of this one is taken first.
    whenNothingHeld(() => {
      setStation(next);
      window.history.replaceState(null, '', `?station=${next}`);
      toEntry();
    });
  }, []);
  return [station, goTo];
}
