/** The part of the parser that is used; the package ships no types. */
declare module 'dxf' {
  export class Helper {
    constructor(source: string);
    readonly parsed: { header: { insUnits?: number } };
    /** Entities with those of blocks set in where they are inserted. */
    readonly denormalised: { type: string; layer?: string }[];
    /** One for each of `denormalised`, in its order. */
    toPolylines(): { polylines: { vertices: [number, number][] }[] };
  }
}
