import type { SiteThing } from '@undrel/core/records';

/** What a utility locate service answers: the day the lines were marked, and where they run. */
export interface Located {
  /** ISO date. */
  marked: string;
  lines: SiteThing[];
}

/** A service that has buried lines marked about a place. */
export interface LocateService {
  readonly name: string;
  locate(place: { x: number; y: number }, today: string): Promise<Located>;
}

const REACH = 12;

/** Stands in for a locate service: a cable and a water main of the street, the same wherever one stands along them. */
export const simulatedLocate: LocateService = {
  name: 'simulated locate service',
  locate: ({ x, y }, today) => {
    // Lines of one network: every 40 m to the north a cable, every 60 m to the east a main.
    const cable = Math.round((y - 5.5) / 40) * 40 + 5.5;
    const main = Math.round((x - 13) / 60) * 60 + 13;
    const near: SiteThing[] = [
      {
        name: 'Cable, located',
        kind: 'electric',
        shape: 'line',
        points: [
          [x - REACH, cable],
          [x + REACH, cable],
        ],
      },
      {
        name: 'Main, located',
        kind: 'water',
        shape: 'line',
        points: [
          [main, y - REACH],
          [main, y + REACH],
        ],
      },
    ];
    const lines = near.filter(({ points: [a, b] }) =>
      a![0] === b![0] ? Math.abs(a![0] - x) < REACH : Math.abs(a![1] - y) < REACH,
    );
    return Promise.resolve({ marked: today, lines });
  },
};
