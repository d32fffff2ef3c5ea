/** Student's t distribution, for whole degrees of freedom. */

/**
 * Share of the distribution below `t`. Source: Abramowitz and Stegun 26.7.3 and 26.7.4, from memory.
 *
 * @param freedom degrees of freedom, 1 or more, whole
 */
export function studentBelow(t: number, freedom: number): number {
  const angle = Math.atan2(Math.abs(t), Math.sqrt(freedom));
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const isOdd = freedom % 2 === 1;
  let [term, sum] = isOdd ? [cos, cos] : [1, 1];
  for (let k = isOdd ? 3 : 2; k <= freedom - 2; k += 2) {
    term *= (cos * cos * (k - 1)) / k;
    sum += term;
  }
  const within = isOdd ? (2 / Math.PI) * (angle + (freedom === 1 ? 0 : sin * sum)) : sin * sum;
  return t >= 0 ? 0.5 + within / 2 : 0.5 - within / 2;
}

/** Half the width of a two-sided band that holds a share of the distribution. @example studentBand(0.95, 10) // 2.228 */
export function studentBand(share: number, freedom: number): number {
  let [low, high] = [0, 1];
  const wanted = 0.5 + share / 2;
  while (studentBelow(high, freedom) < wanted) high *= 2;
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (studentBelow(middle, freedom) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
