import type { Schemas } from '../shared/api';
import { say, show, unitOf, type Units } from '../shared/units';

type Year = Schemas['CropYear'] & { /** how many trees were recorded, of a whole plot */ trees?: number };

/** Kilos by year, oldest left; a frozen year is marked with a letter as well as a pattern. */
export function YearBars({
  years,
  width,
  units,
  height = 120,
}: {
  years: readonly Year[];
  width: number;
  units: Units;
  height?: number;
}) {
  const shown = [...years].reverse().filter((y) => y.kg !== undefined || y.alive !== undefined);
  if (shown.length === 0) return <p className="q">No harvest logged yet.</p>;
  const most = Math.max(1, ...shown.map((y) => y.kg ?? 0));
  const step = Math.min(90, (width - 10) / shown.length);
  const base = height - 22;
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      role="img"
      aria-label={shown
        .map((y) => `${String(y.season)}: ${y.kg === undefined ? 'not weighed' : say(y.kg, 'kg', units)}`)
        .join('; ')}
    >
      <defs>
        <pattern id="frozen" width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={5} height={5} fill="var(--winter-wash)" />
          <path d="M0 0V5" stroke="var(--winter)" strokeWidth={1.6} />
        </pattern>
      </defs>
      <path d={`M0 ${String(base)}H${String(width)}`} stroke="var(--ink)" />
      {shown.map((y, i) => {
        const h = ((y.kg ?? 0) / most) * (base - 26);
        const froze = y.alive !== undefined && y.alive < 0.5;
        return (
          <g key={y.season}>
            <rect
              x={i * step + 6}
              y={base - h}
              width={step - 14}
              height={h}
              fill={froze ? 'url(#frozen)' : 'var(--autumn)'}
            />
            <text x={i * step + step / 2 - 1} y={base - h - 5} textAnchor="middle" fontSize={12}>
              {y.kg === undefined
                ? 'not weighed'
                : `${show(y.kg, 'kg', units)}${i === 0 ? ` ${unitOf('kg', units)}` : ''}`}
            </text>
            <text
              x={i * step + step / 2 - 1}
              y={height - 6}
              textAnchor="middle"
              fontSize={12}
              style={{ color: 'var(--quiet)' }}
            >
              {step < 46 ? String(y.season).slice(2) : y.season}
              {froze ? ' froze' : ''}
              {y.trees === undefined ? '' : ` (${String(y.trees)})`}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
