declare module 'jstat' {
  const jStat: { studentt: { inv(p: number, degreesOfFreedom: number): number } };
  export default jStat;
}
