declare module 'jstat' {
  const jStat: {
    studentt: { inv(p: number, degreesOfFreedom: number): number };
    normal: { cdf(x: number, mean: number, deviation: number): number };
    anovaftest(...groups: number[][]): number;
  };
  export default jStat;
}
