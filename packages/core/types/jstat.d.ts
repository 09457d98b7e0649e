/** The statistics library that the tests compare with; it ships no types. */
declare module 'jstat' {
  type Distribution = {
    cdf(x: number, ...parameters: number[]): number;
    inv(p: number, ...parameters: number[]): number;
  };
  const jstat: {
    mean(values: readonly number[]): number;
    stdev(values: readonly number[], isSample: boolean): number;
    covariance(a: readonly number[], b: readonly number[]): number;
    beta: Distribution;
    binomial: { cdf(held: number, asked: number, probability: number): number };
    normal: Distribution;
    studentt: Distribution;
    models: { ols(endogenous: number[], design: number[][]): { coef: number[] } };
  };
  export default jstat;
}
