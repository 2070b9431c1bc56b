import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { StakeLabel } from '../drawing/StakeLabel';
import { compass } from '../drawing/wood';
import { SegmentRow, Segments } from '../shared/Segments';
import { plain } from '../shared/day';
import { OnTree } from './beside';
import type { Bench } from './queries';
import { BackToTree } from './StandBack';
import css from './bench.module.css';

/** When the tree is looked at: so many winters on, with the slip made or uncut. */
export interface ViewOf {
  ahead: number;
  cut: boolean;
}

const views = [
  { ahead: 0, cut: false, name: 'Now' },
  { ahead: 0, cut: true, name: 'After the cuts' },
  { ahead: 1, cut: true, name: 'Next winter' },
  { ahead: 3, cut: true, name: 'In three years' },
];

interface Props {
  bench: Bench;
  which: { slug: string; id: string; day: string };
  view: ViewOf;
  onView: (v: ViewOf) => void;
  bearing: number;
  above: boolean;
  onAbove: (above: boolean) => void;
  /** Carries a map of an earlier season on to today; none while the future is shown. */
  onCarry?: () => void;
  busy: boolean;
}

/** Which tree it is, from where and when it is seen. */
export function BenchHead({ bench, which, view, onView, bearing, above, onAbove, onCarry, busy }: Props) {
  return (
    <header className="benchhead">
      <StakeLabel code={bench.tree.code} look="full" />
      <h1>
        {bench.tree.kind_name} {bench.tree.name ? `‘${bench.tree.name}’` : ''}
      </h1>
      <p className="sm q">
        {above
          ? 'seen from above, north up'
          : `seen from ${String(Math.round(bearing))}°, looking ${compass(bearing + 180)}`}
        {bench.revision ? `; map of ${plain(bench.revision.date)} ${bench.revision.date.slice(0, 4)}` : ''};{' '}
        <BackToTree bench={bench} />
      </p>
      <p className="totrain">
        <OnTree slug={which.slug} id={which.id} day={which.day} />
        <Link to={`/${which.slug}/trees/${which.id}/training`}>Train: frame, bends, wires</Link>
      </p>
      {bench.mapped && (
        <SegmentRow label="When">
          {views.map((v) => (
            <button
              key={v.name}
              type="button"
              aria-pressed={view.ahead === v.ahead && (v.ahead > 0 || view.cut === v.cut)}
              onClick={() => onView(v)}
            >
              {v.name}
            </button>
          ))}
        </SegmentRow>
      )}
      {bench.carry && onCarry && (
        <p className={`${css.carryon} sm`} role="status">
          <span>{bench.carry}</span>
          <Button variant="outlined" size="small" disabled={busy} onClick={onCarry}>
            Carry it on to today
          </Button>
        </p>
      )}
      {bench.mapped && view.ahead > 0 && (
        <Segments
          label="Cut or not"
          all={[
            { value: true, name: 'Cut by the slip' },
            { value: false, name: 'Uncut' },
          ]}
          value={view.cut}
          onChange={(cut) => onView({ ...view, cut })}
        />
      )}
      {bench.mapped && (
        <Segments
          label="View"
          all={[
            { value: false, name: 'From the ground' },
            { value: true, name: 'From above' },
          ]}
          value={above}
          onChange={onAbove}
        />
      )}
    </header>
  );
}
