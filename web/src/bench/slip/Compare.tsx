import { Silhouette } from '../../drawing/Silhouette';
import { useHere } from '../../shared/orchard';
import { Trouble } from '../../shared/Trouble';
import { say } from '../../shared/units';
import { useCompare, type Asking } from './queries';
import css from '../bench.module.css';
import { SideBySide } from '../SideBySide';

/** What opens below the drawing is brought into sight. */
const come = (el: HTMLElement | null) => el?.scrollIntoView({ block: 'nearest' });

/** The same cuts at different times side by side: what the tree is expected to answer. */
export function Compare({ asking, bearing }: { asking: Asking; bearing: number }) {
  const { units } = useHere();
  const q = useCompare(asking, true);
  if (q.error) return <Trouble error={q.error} />;
  if (!q.data) return <p className="sm q">Growing the tree, cut and uncut.</p>;
  const d = q.data;
  const top = Math.max(d.reach_cm, ...d.outcomes.flatMap((o) => o.heights_cm));
  const height = (cm: number) => say(cm / 100, 'm', units);
  const rows: [string, (o: (typeof d.outcomes)[number]) => string][] = [
    ['Height next winter', (o) => height(o.heights_cm[0] ?? 0)],
    ['in two winters', (o) => height(o.heights_cm[1] ?? 0)],
    ['in three winters', (o) => height(o.heights_cm[2] ?? 0)],
    ['New shoots', (o) => String(o.new_shoots)],
    ['mean length', (o) => (o.new_shoots > 0 ? say(o.mean_shoot_cm, 'cm', units) : '–')],
    ['longest', (o) => (o.new_shoots > 0 ? say(o.longest_shoot_cm, 'cm', units) : '–')],
    ['Water sprouts', (o) => String(o.water_sprouts)],
    ['Fruit buds next spring', (o) => String(o.flower_buds[0] ?? 0)],
    ['in two springs', (o) => String(o.flower_buds[1] ?? 0)],
    ['in three springs', (o) => String(o.flower_buds[2] ?? 0)],
  ];
  return (
    <section ref={come} className={css.compare} aria-label="Winter or summer">
      <SideBySide
        caption={
          <>
            {height(d.height_cm)} high now, reach {height(d.reach_cm)}. {d.skipped} {d.weak}
          </>
        }
        sides={d.outcomes}
        picture={(o) => (
          <Silhouette lines={o.lines.map((l) => l ?? [])} bearing={bearing} top={top} reach={d.reach_cm} times={2.2} />
        )}
        head={(o) => o.name}
        rows={rows}
      />
    </section>
  );
}
