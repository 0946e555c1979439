/** Many rows as fewer points: means of neighbours. Nothing is changed where there are few. */

export type Points = {
  timeS: Float64Array;
  ra: Float64Array;
  dec: Float64Array;
  /** Rows behind each point. */
  weights: Float64Array;
};

export function binned(timeS: Float64Array, ra: Float64Array, dec: Float64Array, most: number): Points {
  const n = timeS.length;
  if (n <= most) return { timeS, ra, dec, weights: new Float64Array(n).fill(1) };
  const [first, span] = [timeS[0] as number, (timeS[n - 1] as number) - (timeS[0] as number)];
  const sums = [0, 1, 2, 3].map(() => new Float64Array(most)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const [t, r, d, w] = sums;
  for (let i = 0; i < n; i += 1) {
    const bin = Math.min(most - 1, Math.floor((((timeS[i] as number) - first) / span) * most));
    t[bin] = (t[bin] as number) + (timeS[i] as number);
    r[bin] = (r[bin] as number) + (ra[i] as number);
    d[bin] = (d[bin] as number) + (dec[i] as number);
    w[bin] = (w[bin] as number) + 1;
  }
  const filled = Array.from(w.keys()).filter((i) => (w[i] as number) > 0);
  const mean = (sum: Float64Array): Float64Array =>
    Float64Array.from(filled, (i) => (sum[i] as number) / (w[i] as number));
  return { timeS: mean(t), ra: mean(r), dec: mean(d), weights: Float64Array.from(filled, (i) => w[i] as number) };
}
