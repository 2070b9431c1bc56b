import { openDB, type DBSchema } from 'idb';
import type { Problem } from '../shared/api';
import type { Said, Shelf, Waiting } from './box';

const patienceMs = 20_000;

interface Kept extends DBSchema {
  waiting: { key: number; value: Omit<Waiting, 'seq'> & Partial<Pick<Waiting, 'seq'>> }; // it numbers what is added
}

/** The shelf in the browser's own database. A new version of the program reads what an old one kept: its form only grows. */
export function browserShelf(): Shelf {
  const db = openDB<Kept>('vertumna', 1, {
    upgrade: (d) => void d.createObjectStore('waiting', { keyPath: 'seq', autoIncrement: true }),
  });
  db.catch(() => undefined); // told at the first use
  return {
    all: async () => (await (await db).getAll('waiting')).filter(isNumbered),
    add: async (w) => {
      const tx = (await db).transaction('waiting', 'readwrite', { durability: 'strict' }); // it survives a power cut
      const seq = await tx.store.add(w);
      await tx.done;
      return seq;
    },
    put: async (w) => void (await (await db).put('waiting', w)),
    remove: async (seq) => (await db).delete('waiting', seq),
  };
}

const isNumbered = (w: Kept['waiting']['value']): w is Waiting => w.seq !== undefined;

const isProblem = (said: unknown): said is Problem => typeof said === 'object' && said !== null && 'title' in said;

/** Sends one command. An answer that breaks off half way, or is not the program's, is none. */
export async function post(w: Waiting): Promise<Said> {
  let status: number;
  let said: unknown;
  try {
    const r = await fetch(w.path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(w.body),
      signal: AbortSignal.timeout(patienceMs),
    });
    status = r.status;
    const text = await r.text();
    said = text === '' ? undefined : JSON.parse(text);
  } catch {
    return { kind: 'wait', why: 'no-answer' };
  }
  if (status >= 200 && status < 300) return { kind: 'sent', data: said };
  if (status === 401) return { kind: 'wait', why: 'signed-out' };
  if (status === 408 || status === 429 || status >= 500) return { kind: 'wait', why: 'busy' };
  return {
    kind: 'held',
    problem: isProblem(said) ? said : { type: 'about:blank', title: `The program answered ${String(status)}`, status },
  };
}
