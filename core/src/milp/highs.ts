import type { Highs } from 'highs';
import type { Mip } from './mip';

export interface Solved {
  /** `stopped`: out of time; what was found by then is there, if anything was. */
  state: 'optimal' | 'infeasible' | 'stopped';
  /** Value of each column; undefined where none were found that keep to the rows. */
  values: Float64Array | undefined;
  objective: number;
  /** What no plan can be better than. */
  bound: number;
}

/** Makes a model as large as can be, within a time. */
export type Solver = (mip: Mip, seconds: number) => Solved;

/**
 * HiGHS as a solver. It does not give way until it is done or out of time, so it belongs in a worker.
 *
 * @param highs as the loader of the package gives it
 */
export const highsSolver =
  (highs: Highs): Solver =>
  ({ columns, rows }, seconds) => {
    const { constants } = highs;
    if (columns.length === 0) {
      const fits = rows.every((r) => r.lower <= 0 && r.upper >= 0);
      return fits
        ? { state: 'optimal', values: new Float64Array(), objective: 0, bound: 0 }
        : { state: 'infeasible', values: undefined, objective: -Infinity, bound: -Infinity };
    }
    const starts: number[] = [];
    const indices: number[] = [];
    const values: number[] = [];
    for (const row of rows) {
      starts.push(indices.length);
      // The same column twice in a row adds up.
      const sum = new Map<number, number>();
      for (const [c, factor] of row.entries) sum.set(c, (sum.get(c) ?? 0) + factor);
      for (const [c, factor] of sum) {
        indices.push(c);
        values.push(factor);
      }
    }
    starts.push(indices.length);
    const open = (v: number) => (Number.isFinite(v) ? v : Math.sign(v) * highs.infinity);
    return highs.withModel((model): Solved => {
      // These models are small and tight: presolved once at the root; symmetry and first heuristics bring nothing in.
      model.options.set({
        output_flag: false,
        time_limit: seconds,
        mip_rel_gap: 0,
        mip_abs_gap: 1e-9,
        presolve: 'on',
        mip_root_presolve_only: true,
        mip_detect_symmetry: false,
        mip_heuristic_run_feasibility_jump: false,
      });
      model.passModel({
        numCols: columns.length,
        numRows: rows.length,
        sense: constants.objectiveSense.maximize,
        colCost: columns.map((c) => c.worth),
        colLower: columns.map((c) => c.lower),
        colUpper: columns.map((c) => c.upper),
        rowLower: rows.map((r) => open(r.lower)),
        rowUpper: rows.map((r) => open(r.upper)),
        matrix: {
          format: 'csr',
          numRows: rows.length,
          numCols: columns.length,
          starts: Int32Array.from(starts),
          indices: Int32Array.from(indices),
          values: Float64Array.from(values),
        },
        integrality: columns.map((c) =>
          c.whole ? constants.variableType.integer : constants.variableType.continuous,
        ),
      });
      const { modelStatus } = model.run();
      const status = constants.modelStatus;
      const found = model.info.get('primal_solution_status') === constants.solutionStatus.feasible;
      const objective = found ? model.getObjectiveValue() : -Infinity;
      const whole = columns.some((c) => c.whole);
      return {
        state:
          modelStatus === status.optimal
            ? 'optimal'
            : modelStatus === status.infeasible || modelStatus === status.unboundedOrInfeasible
              ? 'infeasible'
              : 'stopped',
        values: found ? Float64Array.from(model.getSolution().colValue) : undefined,
        objective,
        bound: whole ? Number(model.info.get('mip_dual_bound')) : objective,
      };
    });
  };
