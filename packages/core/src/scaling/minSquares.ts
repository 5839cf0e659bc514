/** The line y = offset + slope · x with the least sum of squares; nothing where all x are the same. */
export function minSquares(
  points: readonly { readonly x: number; readonly y: number }[],
): { slope: number; offset: number } | undefined {
  const meanX = points.reduce((sum, { x }) => sum + x, 0) / points.length;
  const meanY = points.reduce((sum, { y }) => sum + y, 0) / points.length;
  let [square, product] = [0, 0];
  for (const { x, y } of points) {
    square += (x - meanX) ** 2;
    product += (x - meanX) * (y - meanY);
  }
  if (square === 0) return undefined;
  const slope = product / square;
  return { slope, offset: meanY - slope * meanX };
}
