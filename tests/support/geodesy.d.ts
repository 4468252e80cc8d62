declare module 'geodesy/latlon-spherical.js' {
  export default class LatLon {
    constructor(latitude: number, longitude: number);
    distanceTo(other: LatLon, radius?: number): number;
  }
}
