import type { Schemas } from '../shared/api';

type YardLight = Schemas['YardLightBody'];

interface Props {
  light: YardLight;
  X: (m: number) => number;
  Y: (m: number) => number;
  s: number;
  /** The tree asked about: lines run to what shades it. */
  asked: string;
}

/** Steps of sun, hours a day: each darker than the one before, with its number in the plan. */
const steps = [3.5, 5, 7, 9, 11];

/** The growing season's sun over the ground, spot by spot; and what shades the tree asked about. */
export function LightLayer({ light, X, Y, s, asked }: Props) {
  const w = light.step_m * s;
  const every = Math.max(1, Math.round(2 / light.step_m));
  const hours = light.hours ?? [];
  const tree = light.trees.find((t) => t.id === asked);
  return (
    <g aria-hidden="true" pointerEvents="none">
      {hours.map((h, k) => {
        const i = k % light.nx;
        const j = Math.floor(k / light.nx);
        const level = steps.filter((x) => h >= x).length;
        return (
          <rect
            key={k}
            x={X(light.x0 + i * light.step_m)}
            y={Y(light.y0 + (j + 1) * light.step_m)}
            width={w}
            height={w}
            shapeRendering="crispEdges"
            fill={level === steps.length ? 'var(--sheet)' : 'var(--winter)'}
            fillOpacity={level === steps.length ? 0.4 : 0.62 - level * 0.11}
          />
        );
      })}
      {hours.map((h, k) => {
        const i = k % light.nx;
        const j = Math.floor(k / light.nx);
        if (i % every !== Math.floor(every / 2) || j % every !== Math.floor(every / 2)) return null;
        return (
          <text
            key={k}
            x={X(light.x0 + (i + 0.5) * light.step_m)}
            y={Y(light.y0 + (j + 0.5) * light.step_m) + 4}
            fontSize={12}
            textAnchor="middle"
            className="halo"
            fill="var(--ink)"
          >
            {Math.round(h)}
          </text>
        );
      })}
      {tree?.shaded_by.map((by) => {
        const from = light.trees.find((t) => t.id === by.id);
        if (!from) return null;
        const x1 = X(from.x);
        const y1 = Y(from.y);
        const x2 = X(tree.x);
        const y2 = Y(tree.y);
        return (
          <g key={by.by}>
            <path
              d={`M${x1.toFixed(1)} ${y1.toFixed(1)}L${x2.toFixed(1)} ${y2.toFixed(1)}`}
              stroke="var(--ink)"
              strokeWidth={1 + 40 * by.share}
              strokeDasharray="5 3"
            />
            <text x={(x1 + x2) / 2 + 6} y={(y1 + y2) / 2 - 4} fontSize={13} fontWeight={700} className="halo">
              {percentOf(by.share)}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Small shares keep a decimal. */
export function percentOf(share: number): string {
  return share < 0.095 ? `${(100 * share).toFixed(1)} %` : `${String(Math.round(100 * share))} %`;
}
