import { useEffect, useState } from 'react';
import { lieOf, type Lie } from './lay';

interface Told extends DeviceOrientationEvent {
  /** Where alpha is of no compass, some browsers tell the heading beside it. */
  webkitCompassHeading?: number;
}

interface Asks {
  requestPermission?: () => Promise<'granted' | 'denied'>;
}

/** The lie of the phone from an event; undefined while its compass says nothing. */
export function heard(e: DeviceOrientationEvent): Lie | undefined {
  const t = e as Told;
  if (t.beta === null) return undefined;
  if (t.webkitCompassHeading !== undefined) return { ...lieOf(0, t.beta), azimuth: t.webkitCompassHeading };
  if (t.alpha === null || !t.absolute) return undefined;
  return lieOf(t.alpha, t.beta);
}

/** Whether the browser wants to be asked for the sensor, by a press. */
export const wantsAsking = () =>
  typeof DeviceOrientationEvent === 'function' && !!(DeviceOrientationEvent as unknown as Asks).requestPermission;

export async function askForSensor(): Promise<boolean> {
  const ask = (DeviceOrientationEvent as unknown as Asks).requestPermission;
  return ask ? (await ask()) === 'granted' : true;
}

/** How the phone lies now; undefined where it has no sensor, or it says nothing. */
export function useLie(on: boolean): Lie | undefined {
  const [lie, setLie] = useState<Lie>();
  useEffect(() => {
    if (!on) return;
    const hear = (e: Event) => {
      const l = heard(e as DeviceOrientationEvent);
      if (l) setLie(l);
    };
    for (const name of ['deviceorientationabsolute', 'deviceorientation']) window.addEventListener(name, hear);
    return () => {
      for (const name of ['deviceorientationabsolute', 'deviceorientation']) window.removeEventListener(name, hear);
    };
  }, [on]);
  return on ? lie : undefined;
}
