declare module 'jstat' {
  const jstat: {
    readonly jStat: {
      mean(list: readonly number[]): number;
      readonly studentt: {
        cdf(t: number, freedom: number): number;
        inv(share: number, freedom: number): number;
      };
      readonly models: {
        ols(
          y: readonly number[],
          x: readonly (readonly number[])[],
        ): {
          readonly coef: readonly number[];
          readonly R2: number;
        };
      };
    };
  };
  export default jstat;
}
