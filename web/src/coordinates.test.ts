// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { readDegrees, readLatLon, sayLatLon } from './place/coordinates';

describe('coordinates as people write them', () => {
  it.each([
    ['47.1, 8.5', 47.1, 8.5],
    ['47.1 8.5', 47.1, 8.5],
    ['47,1 8,5', 47.1, 8.5],
    ['47,1; 8,5', 47.1, 8.5],
    ['-41.3 174.8', -41.3, 174.8],
    ['41.3 S 174.8 E', -41.3, 174.8],
    ['47.1° N, 8.5° E', 47.1, 8.5],
    ['8.5 E, 47.1 N', 47.1, 8.5],
    ["47 6' N, 8 30' E", 47.1, 8.5],
    ['47°6′N 8°30′E', 47.1, 8.5],
    ['47° 6\' 36" N 8° 30\' 0" W', 47.11, -8.5],
    ['N 47.1 E 8.5', 47.1, 8.5],
    ['45.1 -74.5', 45.1, -74.5],
  ])('%s', (text, lat, lon) => {
    expect(readLatLon(text)).toEqual({ lat, lon });
  });

  it.each(['', 'Under Mill', '47.1', '47.1 8.5 3', '95 8', '47 N 8 N', '47 200', 'Mill 7'])('%s holds none', (text) => {
    expect(readLatLon(text)).toBeUndefined();
  });

  it('reads one of them alone', () => {
    expect(readDegrees('47,1')).toBe(47.1);
    expect(readDegrees("47 6' N")).toBe(47.1);
    expect(readDegrees('41.3 S')).toBe(-41.3);
    expect(readDegrees('north')).toBeUndefined();
    expect(sayLatLon({ lat: -41.3, lon: 174.8 })).toBe('41.3° S, 174.8° E');
  });
});
