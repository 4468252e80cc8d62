/** A point in degrees, WGS 84. */
export interface Coordinates {
  latitude: number;
  longitude: number;
}

/** Mean earth radius, km. Source: IUGG mean radius R₁. */
export const earthRadiusKm = 6371.0088;
/** International mile in km. Source: international yard and pound agreement, 1959. */
export const kmPerMile = 1.609344;

/** Great-circle distance in km by the haversine formula. Source: R. W. Sinnott, “Virtues of the Haversine”, 1984. */
export function distanceKm(a: Coordinates, b: Coordinates): number {
  const radians = Math.PI / 180;
  const halfLatitude = Math.sin(((b.latitude - a.latitude) * radians) / 2);
  const halfLongitude = Math.sin(((b.longitude - a.longitude) * radians) / 2);
  const h = halfLatitude ** 2 + Math.cos(a.latitude * radians) * Math.cos(b.latitude * radians) * halfLongitude ** 2;
  return 2 * earthRadiusKm * Math.asin(Math.min(1, Math.sqrt(h)));
}

/** The point at a distance due north of another, on along its meridian beyond the pole. @param km at most half a turn */
export function northOf({ latitude, longitude }: Coordinates, km: number): Coordinates {
  const reached = latitude + (km / earthRadiusKm) * (180 / Math.PI);
  return reached <= 90
    ? { latitude: reached, longitude }
    : { latitude: 180 - reached, longitude: longitude > 0 ? longitude - 180 : longitude + 180 };
}
