/** What is used of the package, which ships no types. */
declare module 'dxf' {
  /** An entity as it was read; which fields it has depends on its type. */
  export interface Entity {
    type: string;
    layer?: string;
    block?: string;
    rowCount?: number;
    columnCount?: number;
    vertices?: unknown[];
    polyfaceMesh?: boolean;
    controlPoints?: unknown[];
    knots?: unknown[];
    degree?: number;
    startAngle?: number;
    endAngle?: number;
  }
  export class Helper {
    constructor(source: string);
    readonly parsed: {
      header: { insUnits?: number };
      blocks: { name: string; entities?: Entity[] }[];
      entities: Entity[];
    };
    /** Entities with those of blocks set in where they are inserted. */
    readonly denormalised: Entity[];
    /** One for each of `denormalised`, in its order. */
    toPolylines(): { polylines: { vertices: [number, number][] }[] };
  }
}
