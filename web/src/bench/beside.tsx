import { useDevices } from '../training/queries';
import { count } from '../shared/units';
import type { Bench } from './queries';
import css from './bench.module.css';

/** What is on the tree still: its limbs are locked while it is. */
export function OnTree({ slug, id, day }: { slug: string; id: string; day: string }) {
  const devices = useDevices(slug, day);
  const mine = (devices.data ?? []).filter((r) => r.tree_id === id);
  if (mine.length === 0) return null;
  const over = mine.filter((r) => r.over).length;
  return (
    <span className={over > 0 ? 'over' : 'q'}>
      {count(mine.length, 'device')} on{over > 0 ? `, ${String(over)} over its day` : ''}; the limbs they hold are not
      cut.{' '}
    </span>
  );
}

/** Numbers are acts, letters are sights: beside a slip only what is asked about keeps its letter. */
export function lettersShown(list: Bench['findings'], slip: boolean, chosen: string, ofStep: string[] | undefined) {
  if (!slip) return list;
  return list.filter((f) => f.letter === chosen || (ofStep?.includes(f.letter) ?? false)).slice(0, 3);
}

/** What the colours and lines of the wood mean. */
export function WoodKey({ season }: { season: string }) {
  const rows: [string, string][] = [
    ['var(--wood-old)', 'older'],
    ['var(--wood-two)', 'two years'],
    ['var(--wood-last)', 'last year’s'],
  ];
  if (season === 'summer') rows.push(['var(--wood-this)', 'this year’s']);
  return (
    <p className={`${css.woodkey} sm q`}>
      {rows.map(([c, name]) => (
        <span key={name}>
          <svg width={22} height={8} aria-hidden="true">
            <rect width={22} height={8} fill={c} />
          </svg>
          {name}
        </span>
      ))}
      <span>
        <svg width={22} height={8} aria-hidden="true">
          <rect x={0.6} y={0.6} width={20.8} height={6.8} fill="none" stroke="var(--wood-dead)" strokeDasharray="3 2" />
        </svg>
        dead
      </span>
      <span>
        <svg width={22} height={8} aria-hidden="true">
          <rect x={0.5} y={0.5} width={21} height={7} fill="url(#hatch)" stroke="var(--wood-old)" />
        </svg>
        estimated
      </span>
      <span>
        <svg width={22} height={8} aria-hidden="true">
          <rect x={0.5} y={0.5} width={21} height={7} fill="none" stroke="var(--wood-last)" />
        </svg>
        on the slip
      </span>
    </p>
  );
}
