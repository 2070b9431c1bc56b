import type { TreeSummary } from '../shared/api';
import { say, type Units } from '../shared/units';
import { flat, type Ghost } from './YardPlan';

const most = 4;
const farM = 8;

const halfDepthM = 0.25;

/** How far a crown reaches from its stem in a direction, m: round, or as deep as a flat form is. */
function reachesTo(spreadM: number, form: string, east: number, north: number): number {
  const r = spreadM / 2;
  if (!flat.has(form)) return r;
  return Math.min(r / Math.max(1e-9, Math.abs(east)), halfDepthM / Math.max(1e-9, Math.abs(north)));
}

/** The trees nearest to a place, nearest first, and whether the crowns would touch. */
export function neighbours(ghost: Ghost, trees: readonly TreeSummary[]) {
  return trees
    .filter((t) => t.id !== ghost.id)
    .map((t) => {
      const m = Math.hypot(t.x - ghost.x, t.y - ghost.y);
      const [east, north] = m > 0 ? [(t.x - ghost.x) / m, (t.y - ghost.y) / m] : [1, 0];
      const both = reachesTo(ghost.spreadM, ghost.form, east, north) + reachesTo(t.spread_m, t.form, east, north);
      return { t, m, touch: m < both };
    })
    .filter((n) => n.m <= farM)
    .sort((a, b) => a.m - b.m)
    .slice(0, most);
}

interface Props {
  ghost: Ghost;
  trees: readonly TreeSummary[];
  units: Units;
  X: (m: number) => number;
  Y: (m: number) => number;
  /** There is room for the lengths beside their lines. */
  wide: boolean;
}

/** How far a tree that is being placed stands from its neighbours: lines on the plan with their length. */
export function Spacing({ ghost, trees, units, X, Y, wide }: Props) {
  return (
    <g className="spacing" aria-hidden="true" pointerEvents="none">
      {neighbours(ghost, trees).map(({ t, m, touch }) => {
        const near = 0.6; // of the way, where the lines have parted
        const [x, y] = [X(ghost.x) + near * (X(t.x) - X(ghost.x)), Y(ghost.y) + near * (Y(t.y) - Y(ghost.y))];
        const text = say(m, 'm', units);
        return (
          <g key={t.id}>
            <path
              d={`M${X(ghost.x).toFixed(1)} ${Y(ghost.y).toFixed(1)}L${X(t.x).toFixed(1)} ${Y(t.y).toFixed(1)}`}
              stroke={touch ? 'var(--summer)' : 'var(--ink)'}
              strokeWidth={1.2}
              strokeDasharray={touch ? undefined : '5 4'}
            />
            {wide && (
              <>
                <rect
                  x={x - text.length * 3.6 - 4}
                  y={y - 9}
                  width={text.length * 7.2 + 8}
                  height={18}
                  rx={9}
                  fill="var(--ground)"
                  stroke={touch ? 'var(--summer)' : 'var(--rule-strong)'}
                />
                <text x={x} y={y + 4.5} textAnchor="middle" fontSize={12.5} fontWeight={700} className="num">
                  {text}
                </text>
              </>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** The same in words, for those who do not see the plan. */
export function spacingSays(ghost: Ghost, trees: readonly TreeSummary[], units: Units): string {
  const near = neighbours(ghost, trees);
  if (near.length === 0) return 'No tree stands near.';
  const far = near.map(({ t, m, touch }) => `${t.code} ${say(m, 'm', units)}${touch ? ', crowns will touch' : ''}`);
  return `From the nearest: ${far.join('; ')}.`;
}
