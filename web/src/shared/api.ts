import createClient from 'openapi-fetch';
import type { components, paths } from './schema.gen';

export type Schemas = components['schemas'];
export type Orchard = Schemas['Orchard'];
export type Tree = Schemas['Tree'];
export type Entry = Schemas['Entry'];
export type Person = Schemas['Person'];
export type Plan = Schemas['PlanBody'];
export type TreeSummary = Schemas['TreeSummary'];
export type Bar = Schemas['Bar'];
export type Task = Schemas['TaskBody'];
export type Docket = Schemas['DocketBody'];
export type TreePlan = Schemas['TreePlanBody'];
export type Meta = Schemas['Meta'];
export type Site = Schemas['Site'];
export type Feature = Schemas['Feature'];
export type FieldError = Schemas['FieldError'];
export type Problem = Schemas['Problem'];

export const api = createClient<paths>({ baseUrl: window.location.origin, fetch: (r) => globalThis.fetch(r) });

/** What was refused of a field, wherever in the body it stands: `tree.height_m` is the form's `height_m`. */
export const faultOf = (fields: readonly FieldError[], name: string) =>
  fields.find((e) => e.field === name || e.field.endsWith(`.${name}`));

/** A refusal of the program, with its fields. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ?? problem.title);
  }

  get fields(): FieldError[] {
    return this.problem.errors ?? [];
  }
}

/** Whether what was written rests on what has changed meanwhile. */
export const isClash = (error: unknown): boolean => error instanceof Refused && error.problem.status === 409;

/** No answer came: the network or the program is gone. */
export class NoAnswer extends Error {
  constructor() {
    super('No answer from Vertumna. What is on the screen still holds; try again when it runs.');
  }
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** Since when what the screens show lies on this phone; empty: it is fresh from the program. */
export const keptSince = { value: '', heard: new Set<() => void>() };

function heardFrom(r: Response) {
  const since = r.headers.get('X-Kept-Since') ?? '';
  if (since === keptSince.value) return;
  keptSince.value = since;
  for (const f of keptSince.heard) f();
}

/** Unwraps an answer, throwing Refused or NoAnswer. */
export async function need<T>(call: Promise<Answer<T>>): Promise<T> {
  let a: Answer<T>;
  try {
    a = await call;
  } catch {
    throw new NoAnswer();
  }
  heardFrom(a.response);
  if (!a.response.ok) {
    const p = a.error as Problem | undefined;
    throw new Refused(
      p?.title
        ? p
        : {
            type: 'about:blank',
            title: `The program answered ${String(a.response.status)}`,
            status: a.response.status,
          },
    );
  }
  return a.data as T;
}
