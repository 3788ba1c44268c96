declare module 'js-aruco2' {
  export interface FoundMarker {
    id: number;
    /** Clockwise from the marker's own upper left. */
    corners: readonly [Spot, Spot, Spot, Spot];
    hammingDistance: number;
  }
  interface Spot {
    x: number;
    y: number;
  }
  const aruco: {
    AR: {
      Detector: new (config: { dictionaryName: string; maxHammingDistance: number }) => {
        detectImage(width: number, height: number, data: Uint8ClampedArray): FoundMarker[];
      };
      Dictionary: new (name: string) => { readonly codeList: readonly string[] };
    };
  };
  export default aruco;
}
