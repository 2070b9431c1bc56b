import { Refused } from './api';

/** What failed, what still holds, what to do. */
export function Trouble({ error, holds }: { error: unknown; holds?: string }) {
  if (!error) return null;
  const message = error instanceof Error ? error.message : String(error);
  const fields = error instanceof Refused ? error.fields : [];
  return (
    <div className="trouble" role="alert">
      {message}
      {fields.length > 1 && (
        <ul>
          {fields.map((f) => (
            <li key={f.field + f.code}>
              {f.field}: {f.given} given, {f.expected} expected
            </li>
          ))}
        </ul>
      )}
      {holds && <div className="q">{holds}</div>}
    </div>
  );
}

/** What is odd about something that was accepted. */
export function Warnings({ list }: { list: { field: string; given: string; expected: string; code: string }[] }) {
  if (!list.length) return null;
  return (
    <div className="trouble" style={{ borderColor: 'var(--summer)' }} role="status">
      {list.map((w) => (
        <div key={w.code + w.given}>
          {w.given}: {w.expected}.
        </div>
      ))}
    </div>
  );
}
