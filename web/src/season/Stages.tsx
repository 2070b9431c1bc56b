import { plain } from '../shared/day';
import { Band } from './Band';
import { first, hues, path, span, type Scale, type SeasonOf, type StageRow } from './season';

const thin = 20;
const tall = 54;

/** A funnel a stage: its top as forecast at the new year, its shoulder at the last sighting, its foot now. Seen: shut, a stroke with a disc. */
export function Stages({ s, scale }: { s: SeasonOf; scale: Scale }) {
  const { rows, height } = laid(s.stages, scale.phone);
  return (
    <Band
      title="Stages"
      words={
        <p className="q">
          Wide: as forecast at the new year. Narrow: as forecast today. Stroke: the day you saw it.
          {s.habit && <b style={{ display: 'block', color: 'var(--ink)' }}>{s.habit}</b>}
        </p>
      }
      height={height + 6}
      scale={scale}
      label={s.stages.map((r) => `${r.name} ${wordsOf(r)}`).join('; ')}
    >
      {rows.map(({ row, at, h }) => (
        <Funnel key={row.stage} row={row} y={at} h={h} open={h === tall} scale={scale} />
      ))}
    </Band>
  );
}

/** Where each stage's row stands: the one that comes next is open. */
function laid(stages: readonly StageRow[], phone: boolean) {
  const next = stages.find((r) => !r.past);
  let height = 6;
  const rows: { row: StageRow; at: number; h: number }[] = [];
  for (const row of stages) {
    const h = row === next && !phone ? tall : thin;
    rows.push({ row, at: height, h });
    height += h;
  }
  return { rows, height };
}

function wordsOf(r: StageRow): string {
  if (r.seen) return `seen ${plain(r.seen)}`;
  const now = r.forecasts.at(-1);
  return now ? span(now.early, now.late) : '';
}

const whys: Record<string, string> = {
  new_year: 'as forecast at the new year',
  seen: 'when the last stage was seen',
  now: 'now',
};

function Funnel({ row, y, h, open, scale }: { row: StageRow; y: number; h: number; open: boolean; scale: Scale }) {
  const { x, width, right } = scale;
  const hue = hues[row.group] ?? hues.bloom;
  if (!hue) return null;
  const f = row.forecasts;
  const foot = y + h - 5;
  const heights = f.map((_, i) => y + 1 + ((foot - y - 1) * i) / Math.max(1, f.length - (row.seen ? 0 : 1)));
  const leftEdge = f.map((c, i) => [x(c.early), heights[i] ?? y] as const);
  const rightEdge = f.map((c, i) => [x(c.late), heights[i] ?? y] as const);
  if (row.seen) {
    leftEdge.push([x(row.seen), foot]);
    rightEdge.push([x(row.seen), foot]);
  }
  const now = f.at(-1);
  const farRight = Math.max(...rightEdge.map(([a]) => a), row.seen ? x(row.seen) : 0);
  const farLeft = Math.min(...leftEdge.map(([a]) => a), row.seen ? x(row.seen) : width);
  // where there is no room at its right the words stand at its left; on a phone, where there is more
  const away = scale.phone ? farLeft > width - farRight : farRight + 250 > width - right;
  const tx = away ? farLeft - 8 : farRight + 8;
  const anchor = away ? 'end' : 'start';
  const name = first(row.name);
  const earlier = f[0];
  return (
    <g fontSize={scale.phone ? 11.5 : 13}>
      {f.length > 1 || row.seen ? (
        <path
          d={`${path(leftEdge)}${path([...rightEdge].reverse()).replace('M', 'L')}Z`}
          fill={hue.line}
          opacity={0.28}
        />
      ) : null}
      {!row.seen && now && (
        <path
          d={`M${String(x(now.early))} ${String(foot)}H${String(Math.max(x(now.late), x(now.early) + 2))}`}
          stroke={hue.line}
          strokeWidth={2.6}
        />
      )}
      {row.seen && (
        <>
          <path
            d={`M${String(x(row.seen))} ${String(y + 2)}V${String(foot + 2)}`}
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <circle cx={x(row.seen)} cy={y + 3} r={3.6} fill="var(--ink)" />
        </>
      )}
      <text x={tx} y={y + 13} textAnchor={anchor} className="halo">
        <tspan fontWeight={700} style={{ fill: hue.text }}>
          {name}
        </tspan>
        <tspan dx={5} fontWeight={700}>
          {open ? '' : wordsOf(row)}
        </tspan>
        {!open && row.seen && earlier && !scale.phone && (
          <tspan dx={8} fontSize={12} style={{ fill: 'var(--quiet)' }}>
            first said {span(earlier.early, earlier.late)}
          </tspan>
        )}
      </text>
      {open &&
        f.map((c, i) => (
          <text
            key={c.why}
            x={tx + (i === 0 && !away ? name.length * 7.4 + 12 : 0)}
            y={y + 13 + i * 16}
            textAnchor={anchor}
            className="halo"
            dx={i === 0 && away ? -(name.length * 7.4 + 12) : 0}
          >
            <tspan fontWeight={c.why === 'now' ? 700 : 400}>
              {c.why === 'now' ? 'now ' : ''}
              {span(c.early, c.late)}
            </tspan>
            <tspan dx={6} fontSize={12} style={{ fill: 'var(--quiet)' }}>
              {c.why === 'now' ? '' : whys[c.why]}
            </tspan>
          </text>
        ))}
    </g>
  );
}
