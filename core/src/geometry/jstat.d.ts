declare module 'jstat' {
  const jStat: {
    studentt: {
      inv(p: number, degreesOfFreedom: number): number;
      pdf(x: number, degreesOfFreedom: number): number;
      cdf(x: number, degreesOfFreedom: number): number;
    };
    normal: {
      cdf(x: number, mean: number, deviation: number): number;
      inv(p: number, mean: number, deviation: number): number;
    };
    gammaln(x: number): number;
    gamma: { cdf(x: number, shape: number, scale: number): number };
    binomial: { pdf(k: number, n: number, p: number): number };
    beta: { pdf(x: number, a: number, b: number): number; inv(p: number, a: number, b: number): number };
    anovaftest(...groups: number[][]): number;
  };
  export default jStat;
}
