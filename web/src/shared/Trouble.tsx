import { Refused } from './api';
import { useUnits } from './orchard';
import { refusalSays } from './refusal';

/** What failed, what still holds, what to do. */
export function Trouble({ error, holds }: { error: unknown; holds?: string }) {
  const units = useUnits();
  if (!error) return null;
  const fields = error instanceof Refused ? error.fields : [];
  const said = error instanceof Error ? error.message : String(error);
  const [first, ...more] = fields;
  const message =
    first && said.startsWith(`${first.field}: `) // it tells the first field and how many more, by the names of the contract
      ? `${refusalSays(first, units)}${more.length > 0 ? `, and ${String(more.length)} more` : ''}`
      : said;
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
