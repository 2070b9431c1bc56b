import geomagnetism from 'geomagnetism';
import type { Day } from '../../shared/day';

/** True north minus magnetic north at a place, degrees, by the world magnetic model; beyond its years the last one holds. */
export function declinationAt(lat: number, lon: number, day: Day): number {
  return geomagnetism.model(new Date(day), { allowOutOfBoundsModel: true }).point([lat, lon]).decl;
}
