/**
 * Fits a sum of known functions to values, each counted as it weighs: the normal equations, by elimination. For a handful of
 * functions over a picture, whose places are scaled to about one.
 * @param rows what the functions are at each place, one after another · @param count how many functions · @param weights null where each counts alike
 */
export function fitted(
  rows: readonly number[],
  values: readonly number[],
  weights: readonly number[] | null,
  count: number,
): number[] {
  const sums = new Float64Array(count * (count + 1));
  for (let r = 0; r < values.length; r += 1)
    for (let i = 0; i < count; i += 1) {
      const left = rows[r * count + i]! * (weights ? weights[r]! : 1);
      const row = i * (count + 1);
      for (let j = 0; j < count; j += 1) sums[row + j]! += left * rows[r * count + j]!;
      sums[row + count]! += left * values[r]!;
    }
  const a = Array.from({ length: count }, (_, i) => [...sums.subarray(i * (count + 1), (i + 1) * (count + 1))]);
  // A little of each on the diagonal: what the places can't tell apart stays nought.
  for (let i = 0; i < count; i += 1) a[i]![i]! += 1e-9 * (a[0]![0]! || 1);
  for (let i = 0; i < count; i += 1) {
    const pivot = a.slice(i).reduce((best, row) => (Math.abs(row[i]!) > Math.abs(best[i]!) ? row : best), a[i]!);
    a.splice(a.indexOf(pivot), 1);
    a.splice(i, 0, pivot);
    for (let k = 0; k < count; k += 1) {
      if (k === i) continue;
      const by = a[k]![i]! / pivot[i]!;
      for (let j = i; j <= count; j += 1) a[k]![j]! -= by * pivot[j]!;
    }
  }
  return a.map((row, i) => row[count]! / row[i]!);
}

/** The middle of some values. @param values at least one */
export function median(values: ArrayLike<number>): number {
  return Float64Array.from(values).sort()[Math.floor(values.length / 2)]!;
}

/**
 * Where a heap of values falls into two that are apart the most (Otsu 1979, from memory).
 * @param counts a histogram · @returns the first bin of the upper heap
 */
export function parting(counts: ArrayLike<number>): number {
  let [total, sum] = [0, 0];
  for (let i = 0; i < counts.length; i += 1) {
    total += counts[i]!;
    sum += i * counts[i]!;
  }
  let [below, sumBelow, best, at] = [0, 0, -1, 0];
  for (let i = 0; i < counts.length - 1; i += 1) {
    below += counts[i]!;
    sumBelow += i * counts[i]!;
    if (below === 0 || below === total) continue;
    const apart = sumBelow / below - (sum - sumBelow) / (total - below);
    const between = below * (total - below) * apart * apart;
    if (between > best) [best, at] = [between, i + 1];
  }
  return at;
}
