/** A fixed computation that figures are also given in, so that they can be compared between machines and days. */

const N = 160;

/** A dense product of two matrices of 160 rows: about four million multiplications, always the same. */
function product(): number {
  const [a, b, c] = [0, 1, 2].map(() => new Float64Array(N * N)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let i = 0; i < N * N; i++) [a[i], b[i]] = [(i % 7) + 1, (i % 11) - 5];
  for (let i = 0; i < N; i++)
    for (let k = 0; k < N; k++) {
      const x = a[i * N + k] ?? 0;
      for (let j = 0; j < N; j++) c[i * N + j] = (c[i * N + j] ?? 0) + x * (b[k * N + j] ?? 0);
    }
  return c[N + 1] ?? 0;
}

/** Milliseconds that it takes here and now: the median of many. */
export function reference_ms(): number {
  const times = Array.from({ length: 60 }, () => {
    const from = performance.now();
    product();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return times[30] ?? NaN;
}
