import { useEffect, useState } from 'react';
import { lieOf, type Lie } from './lay';

/** The lie of the phone from an event; undefined while its compass says nothing. */
export function heard(e: DeviceOrientationEvent): Lie | undefined {
  if (e.beta === null) return undefined;
  // where alpha is of no compass, some browsers tell the heading beside it
  if ('webkitCompassHeading' in e && typeof e.webkitCompassHeading === 'number')
    return { ...lieOf(0, e.beta), azimuth: e.webkitCompassHeading };
  if (e.alpha === null || !e.absolute) return undefined;
  return lieOf(e.alpha, e.beta);
}

/** Whether the browser wants to be asked for the sensor, by a press. */
export const wantsAsking = () =>
  typeof DeviceOrientationEvent === 'function' && 'requestPermission' in DeviceOrientationEvent;

export async function askForSensor(): Promise<boolean> {
  if (!('requestPermission' in DeviceOrientationEvent)) return true;
  const ask = DeviceOrientationEvent.requestPermission;
  return typeof ask !== 'function' || (await ask()) === 'granted';
}

const told = ['deviceorientationabsolute', 'deviceorientation'] as const;

/** How the phone lies now; undefined where it has no sensor, or it says nothing. */
export function useLie(on: boolean): Lie | undefined {
  const [lie, setLie] = useState<Lie>();
  useEffect(() => {
    if (!on) return;
    const hear = (e: DeviceOrientationEvent) => {
      const l = heard(e);
      if (l) setLie(l);
    };
    for (const name of told) window.addEventListener(name, hear);
    return () => {
      for (const name of told) window.removeEventListener(name, hear);
    };
  }, [on]);
  return on ? lie : undefined;
}
