import css from './shared.module.css';
interface Props<T extends string> {
  legend: string;
  all: readonly { slug: T; name: string }[];
  chosen: readonly T[];
  onChange: (chosen: T[]) => void;
}

/** Several of a table, each ticked or not. */
export function Several<T extends string>({ legend, all, chosen, onChange }: Props<T>) {
  if (all.length === 0) return null;
  return (
    <fieldset className={css.several}>
      <legend className="sm q">{legend}</legend>
      {all.map((s) => (
        <label key={s.slug}>
          <input
            type="checkbox"
            checked={chosen.includes(s.slug)}
            onChange={(e) => onChange(e.target.checked ? [...chosen, s.slug] : chosen.filter((x) => x !== s.slug))}
          />{' '}
          {s.name}
        </label>
      ))}
    </fieldset>
  );
}
