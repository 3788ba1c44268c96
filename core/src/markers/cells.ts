import aruco from 'js-aruco2';

/**
 * The public dictionary that the markers are of: S. Garrido-Jurado et al., Generation of fiducial marker dictionaries using
 * mixed integer linear programming, Pattern Recognition 51 (2016); six by six squares, any two at least twelve apart.
 */
export const DICTIONARY = 'ARUCO_MIP_36h12';

/** Cells along a side of a marker, its black rim included. */
export const CELLS = 8;

/** Cells of a marker by row from above, true where white; the rim is black. */
export function cellsOf(id: number): boolean[][] {
  const code = new aruco.AR.Dictionary(DICTIONARY).codeList[id]!;
  const inner = CELLS - 2;
  return Array.from({ length: CELLS }, (_, row) =>
    Array.from({ length: CELLS }, (__, column) => {
      const [r, c] = [row - 1, column - 1];
      return r >= 0 && c >= 0 && r < inner && c < inner && code[r * inner + c] === '1';
    }),
  );
}
