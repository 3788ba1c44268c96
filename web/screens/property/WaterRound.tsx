'use client';

import { litres, roundWords } from './waterWords';
import { useRef, useState, useTransition } from 'react';
import { type UnitSystem } from '@undrel/core/units';
import { idOf } from '@undrel/core/records';
import { useToday } from '../../device/along/keptPage';
import { keepForLater } from '../../device/keepForLater';
import type { TreeWater } from '../../protocol/water';

/** Logs a round of today at a tree. */
export type LogRound = (
  visitId: string,
  entry: { litres?: number; probe?: 'moist' | 'dry' } | null,
) => Promise<{ problem?: string }>;

type RoundOf = Parameters<LogRound>[1];

/** The round of today at a tree: one touch for what was found and given, and one to take it back. */
export function Round({
  tree,
  on,
  system,
  log,
}: {
  tree: TreeWater;
  on: string;
  system: UnitSystem;
  log: LogRound;
}) {
  const day = useToday(on);
  const onServer = useRef(tree.log.some((w) => w.on === on));
  const [entry, setEntry] = useState<RoundOf>(tree.log.find((w) => w.on === on) ?? null);
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  const say = (next: RoundOf) =>
    start(async () => {
      const answer = await log(tree.visitId, next).then(
        (told) => {
          if (!told.problem) onServer.current = next !== null;
          return told;
        },
        () => later(next),
      );
      setProblem(answer.problem);
      if (!answer.problem) setEntry(next);
    });
  /** Without signal it is kept on this device and sent when there is some; what the server has already is not changed blindly. */
  const later = async (next: RoundOf): Promise<{ problem?: string }> => {
    if (onServer.current)
      return { problem: 'No signal, and this round has been sent already: change it when there is signal.' };
    const kept = await keepForLater(tree.id, {
      kind: 'watering',
      id: idOf('watering', tree.visitId, { on: day }),
      parent: tree.visitId,
      base: 0,
      values: next && { ...next, on: day },
    });
    return kept ? {} : { problem: 'The server could not be reached; try again.' };
  };
  const given = Math.round(tree.next.litres);
  const choices: [string, NonNullable<RoundOf>][] = [
    [`Dry: watered ${litres(given, system)}`, { probe: 'dry', litres: given }],
    [`Watered ${litres(given, system)}`, { litres: given }],
    ['Moist: skipped', { probe: 'moist' }],
  ];
  return (
    <div className="my-2 no-print">
      <div role="group" aria-label={`Round of today: ${tree.label}`} className="flex flex-wrap gap-2">
        {choices.map(([words, choice]) => {
          const chosen =
            entry !== null &&
            entry.probe === choice.probe &&
            (entry.litres === undefined) === (choice.litres === undefined);
          return (
            <button
              key={words}
              type="button"
              className={chosen ? 'act' : 'quiet'}
              aria-pressed={chosen}
              disabled={busy}
              onClick={() => say(chosen ? null : choice)}
            >
              {words}
            </button>
          );
        })}
      </div>
      <p className="text-sm min-h-[1.4rem]" role="status">
        {problem ? (
          <span className="text-harm">{problem}</span>
        ) : entry ? (
          `Logged today: ${roundWords(entry, system)}. Press again to undo it.`
        ) : (
          ''
        )}
      </p>
    </div>
  );
}
