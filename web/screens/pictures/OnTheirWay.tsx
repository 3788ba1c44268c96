import { sideOf } from '../../protocol/pictureWords';
import type { Sending } from './usePictures';

/** How far each picture is on its way, in a place that scrolls by itself. */
export function OnTheirWay({
  queue,
  again,
  drop,
}: {
  queue: readonly Sending[];
  again: (key: number) => void;
  drop: (key: number) => void;
}) {
  return (
    <ul aria-label="On their way" className="my-2 max-h-[14rem] overflow-y-auto">
      {queue.map((s) => (
        <li key={s.key} className="border-t border-hair py-2 flex flex-wrap items-center gap-3 min-h-[62px]">
          <span className="flex-1 min-w-[12rem]">
            {s.file.name}
            {s.bearing !== undefined && `, from ${sideOf(s.bearing)}`}
            {s.problem ? (
              <span className="block text-harm" role="alert">
                {s.problem}
              </span>
            ) : s.arrived ? (
              <span className="block text-muted">arrived</span>
            ) : (
              <progress className="block w-full" max={1} value={s.share}>
                {Math.round(100 * s.share)}%
              </progress>
            )}
            {s.kept === undefined && !s.arrived && (
              <span className="block text-sm">
                This device keeps no pictures, it may be full: leave the page open until it is sent.
              </span>
            )}
          </span>
          {s.problem && (
            <button type="button" className="quiet" onClick={() => again(s.key)}>
              Send again
            </button>
          )}
          {!s.arrived && (
            <button type="button" className="link min-h-[44px]" onClick={() => drop(s.key)}>
              {s.problem ? 'Leave it' : 'Stop'}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
