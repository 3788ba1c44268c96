import { shortestWay } from '../geometry';

/** A tree that is watered on a round. */
export interface Stop {
  id: string;
  litres: number;
  /** Where it stands on the plan of its property, m; unknown where it is not on the plan. */
  at?: { x: number; y: number } | undefined;
}

/** What one filling of the tank waters, in order. */
export interface Load {
  stops: { id: string; litres: number }[];
  litres: number;
}

export interface WaterRound {
  loads: Load[];
  /** From tree to tree in this order, m; the way to the tap is not in it. */
  metres: number;
  /** Stops that are not on the plan; they come last. */
  unplaced: string[];
}

const CLOSE = 1e-9;

/**
 * The order in which trees are watered: the shortest way from tree to tree, the tank filled anew where it is empty. A tree
 * that asks for more than is left gets the rest from the next filling.
 *
 * @param tank what it holds, litres
 */
export function waterRound(stops: readonly Stop[], tank: number): WaterRound {
  const placed = stops.filter((s) => s.at !== undefined);
  const apart = (a: number, b: number) =>
    Math.hypot(placed[a]!.at!.x - placed[b]!.at!.x, placed[a]!.at!.y - placed[b]!.at!.y);
  const order = shortestWay(placed.length, apart);
  const unplaced = stops.filter((s) => s.at === undefined);
  const loads: Load[] = [];
  for (const { id, litres } of [...order.map((i) => placed[i]!), ...unplaced]) {
    let asks = litres;
    while (asks > CLOSE) {
      let load = loads.at(-1);
      if (!load || load.litres >= tank - CLOSE) loads.push((load = { stops: [], litres: 0 }));
      const given = Math.min(asks, tank - load.litres);
      load.stops.push({ id, litres: given });
      load.litres += given;
      asks -= given;
    }
  }
  return {
    loads,
    metres: order.slice(1).reduce((sum, stop, i) => sum + apart(order[i]!, stop), 0),
    unplaced: unplaced.map((s) => s.id),
  };
}
