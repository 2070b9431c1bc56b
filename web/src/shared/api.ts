import createClient, { type Middleware } from 'openapi-fetch';
import createQueries from 'openapi-react-query';
import type { components, paths } from './schema.gen';

export type Schemas = components['schemas'];
export type Orchard = Schemas['Orchard'];
export type Tree = Schemas['Tree'];
export type Entry = Schemas['Entry'];
/** An entry as a person logs it: what the program notes on it is left out. */
export type Said = Partial<Entry> & Pick<Entry, 'date' | 'kind'>;

/** An entry to be logged. */
export const saying = (e: Said): Entry => ({ id: '', created: '', season: 0, ...e });

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

/** Since when what the screens show lies on this phone; empty: it is fresh from the program. */
export const keptSince = { value: '', heard: new Set<() => void>() };

function heardFrom(r: Response) {
  const since = r.headers.get('X-Kept-Since') ?? '';
  if (since === keptSince.value) return;
  keptSince.value = since;
  for (const f of keptSince.heard) f();
}

/** What is not an answer is thrown: Refused for a refusal, NoAnswer where none came. */
const refusals: Middleware = {
  async onResponse({ response }) {
    heardFrom(response);
    if (response.ok) return undefined;
    const p: Problem | undefined = await response.json().catch(() => undefined);
    throw new Refused(
      p?.title
        ? p
        : { type: 'about:blank', title: `The program answered ${String(response.status)}`, status: response.status },
    );
  },
  onError({ error }) {
    return error instanceof DOMException && error.name === 'AbortError' ? error : new NoAnswer();
  },
};
api.use(refusals);

/** The answer of a call. Errors: Refused, NoAnswer. */
export async function need<T>(call: Promise<{ data?: T }>): Promise<T> {
  const answer = await call;
  if (!answered(answer)) throw new NoAnswer();
  return answer.data;
}

/** An answer without words has data too: none. */
const answered = <T>(answer: { data?: T }): answer is { data: T } => 'data' in answer;

/** Reads by their path in the contract: what is asked is the key it is kept under. */
export const ask = createQueries(api);
