import { createContext, useContext } from 'react';
import type { Meta, Orchard, Plan } from './api';
import type { Units } from './units';

/** The orchard on the screen, with its plan on the day shown. */
export interface Here {
  orchard: Orchard;
  siteDefaults: Record<string, string>;
  meta: Meta;
  units: Units;
  plan: Plan | undefined;
  planError: unknown;
}

export const HereContext = createContext<Here | null>(null);

export function useHere(): Here {
  const here = useContext(HereContext);
  if (!here) throw new Error('no orchard on this screen');
  return here;
}

/** The person's units; metric where no orchard is open. */
export const useUnits = (): Units => useContext(HereContext)?.units ?? 'metric';
