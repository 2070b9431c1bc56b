import { Refused } from './api';
import { useUnits } from './orchard';
import { refusalSays } from './refusal';

/** What failed, what still holds, what to do. */
export function Trouble({ error, holds }: { error: unknown; holds?: string }) {
  const units = useUnits();
  if (!error) return null;
  const fields = error instanceof Refused ? error.fields : [];
  const message = fields[0]
    ? `${refusalSays(fields[0], units)}${fields.length > 1 ? `, and ${String(fields.length - 1)} more` : ''}`
    : error instanceof Error
      ? error.message
      : String(error);
  return (
    <div className="trouble" role="alert">
      {message}
      {fields.length > 1 && (
        <ul>
          {fields.map((f) => (
            <li key={f.field + f.code}>{refusalSays(f, units)}</li>
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
