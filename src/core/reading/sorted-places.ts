/** Places of orders by what is measured of them, ascending. @param measured by place */
export function sortedPlaces(places: Uint32Array, measured: ArrayLike<number>): Uint32Array {
  const key = Float64Array.from(places, (place) => measured[place]!);
  const order = Uint32Array.from(places, (_, i) => i).sort((a, b) => key[a]! - key[b]!);
  return order.map((i) => places[i]!);
}
