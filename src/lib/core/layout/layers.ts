/**
 * Layer numbers (z-index) for a stacking, bottom first, changing as few of the previous numbers as possible:
 * raising one window renumbers that window alone, so only its element is touched.
 * @example [...layersFor(['b', 'a'], new Map([['a', 1], ['b', 2]]))] // [['b', 2], ['a', 3]]
 */
export function layersFor(
  stacking: readonly string[],
  previous: ReadonlyMap<string, number>,
): Map<string, number> {
  const layers = new Map<string, number>();
  let below = 0;
  for (const id of stacking) {
    const before = previous.get(id) ?? 0;
    below = before > below ? before : below + 1;
    layers.set(id, below);
  }
  return layers;
}
