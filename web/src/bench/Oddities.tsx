import type { Bench } from './queries';

/** What is odd on the map: each lights the limb it is about. */
export function Oddities({ list, onChoose }: { list: Bench['warnings']; onChoose: (limb: string) => void }) {
  if (list.length === 0) return null;
  return (
    <section className="trouble" style={{ borderColor: 'var(--summer)' }} aria-label="Odd on the map">
      {list.map((w) => {
        const limb = w.field.slice(0, w.field.lastIndexOf('.'));
        return (
          <p key={w.code + w.field} style={{ margin: '4px 0' }}>
            <button type="button" className="plain" onClick={() => onChoose(limb)} aria-label={`Show ${limb}`}>
              <b>{limb}</b>
            </button>{' '}
            {w.says?.startsWith(`${limb} `) ? w.says.slice(limb.length + 1) : w.says}
          </p>
        );
      })}
    </section>
  );
}
