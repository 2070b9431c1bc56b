import type { KeyboardEvent } from 'react';
import { say, type Units } from '../shared/units';
import {
  coarser,
  haloFrom,
  line,
  ribbon,
  stationCount,
  stretches,
  toneColour,
  type Limb,
  type Sheet,
  type View,
} from './wood';
import css from './drawing.module.css';

/** Estimated wood wide enough on the screen is hatched. */
const hatchFrom = 2.6;

const span = (s: { from: number; to: number }) => s.to - s.from;

/** The elements of the wood, found once, so that a turn only writes attributes. */
export type Painted = { path: SVGPathElement; draw: (view: View) => string }[];

export function painted(svg: SVGSVGElement, limbs: readonly Limb[], season: string, sheet: Sheet): Painted {
  const byId = new Map(limbs.map((l) => [l.id, l]));
  const out: Painted = [];
  for (const g of svg.querySelectorAll<SVGGElement>('[data-limb]')) {
    const l = byId.get(g.dataset.limb ?? '');
    if (!l) continue;
    const gone = g.dataset.gone === undefined ? undefined : Number(g.dataset.gone);
    const parts = parted(stretches(l, season), gone);
    const longest = parts.reduce((a, p, i) => (span(p) > span(parts[a] ?? p) ? i : a), 0);
    g.querySelectorAll<SVGPathElement>('path[data-part]').forEach((path, k) => {
      const part = parts[k];
      if (!part) return;
      const twig = l.depth > 1; // on the move a twig is one piece, in the colour of most of it
      if (twig && k !== longest) {
        path.setAttribute('d', '');
        return;
      }
      const some = twig
        ? coarser(l.stations, 0, stationCount(l.stations) - 1, 5)
        : coarser(l.stations, part.from, part.to, 2);
      const last = stationCount(some) - 1;
      out.push({ path, draw: (v) => ribbon(some, 0, last, v, sheet) });
    });
  }
  svg.classList.add('turning'); // letters, halos and hatching come back at rest
  return out;
}

interface WoodProps {
  l: Limb;
  view: View;
  sheet: Sheet;
  season: string;
  units: Units;
  mix: number;
  parentRadius: number;
  chosen: boolean;
  first: boolean;
  /** Wood from this station on is on the slip: drawn hollow; the chosen step's in leaf. */
  gone?: { from: number; chosen: boolean } | undefined;
  onKey: (e: KeyboardEvent, id: string) => void;
}

export function Wood({ l, view, sheet, season, units, mix, parentRadius, chosen, first, gone, onKey }: WoodProps) {
  const n = l.stations.length / 5;
  const from = haloFrom(l.stations, parentRadius);
  const estimated = l.source === 'estimated';
  const wide = (l.diameter_mm / 10) * sheet.scale > hatchFrom;
  return (
    <g
      role="treeitem"
      aria-selected={chosen}
      aria-level={l.depth + 1}
      aria-label={limbSays(l, units)}
      tabIndex={first ? 0 : -1}
      data-limb={l.id}
      data-gone={gone?.from}
      className={chosen ? `${css.limb} chosen` : css.limb}
      onKeyDown={(e) => onKey(e, l.id)}
    >
      {from < n - 1 && (
        <path
          data-halo={from}
          d={ribbon(l.stations, from, n - 1, view, sheet)}
          stroke="var(--ground)"
          strokeWidth={2.4}
          fill="var(--ground)"
        />
      )}
      {parted(stretches(l, season), gone?.from).map((s) => {
        const colour = `color-mix(in srgb, ${toneColour[s.tone]} ${String(Math.round((1 - mix) * 100))}%, var(--ground))`;
        const dead = s.tone === 'dead';
        const hollow = gone !== undefined && s.from >= gone.from;
        if (hollow)
          return (
            <path
              key={s.from}
              data-part=""
              d={ribbon(l.stations, s.from, s.to, view, sheet)}
              fill="var(--ground)"
              stroke={gone.chosen ? 'var(--leaf)' : colour}
              strokeWidth={gone.chosen ? 1.8 : 1.2}
              strokeDasharray={dead ? '4 3' : undefined}
            />
          );
        const light = estimated && wide && !dead;
        return (
          <path
            key={s.from}
            data-part=""
            d={ribbon(l.stations, s.from, s.to, view, sheet)}
            fill={dead ? 'var(--ground)' : light ? `color-mix(in srgb, ${colour} 45%, var(--ground))` : colour}
            stroke={chosen ? 'var(--leaf)' : colour}
            strokeWidth={chosen ? 1.8 : dead ? 1.2 : light ? 1 : 0.3}
            strokeDasharray={dead ? '4 3' : undefined}
          />
        );
      })}
      {estimated && wide && l.dead_from_cm !== 0 && gone?.from !== 0 && (
        <path
          data-hatch=""
          d={ribbon(l.stations, 0, gone?.from ?? n - 1, view, sheet)}
          fill="url(#hatch)"
          opacity={0.5 * (1 - mix)}
        />
      )}
      {l.source === 'predicted' && (
        <path
          d={line(l.stations, view, sheet)}
          fill="none"
          stroke="var(--leaf)"
          strokeWidth={1.6}
          strokeDasharray="0.1 5"
          strokeLinecap="round"
        />
      )}
    </g>
  );
}

/** Stretches parted where the wood on the slip begins. */
function parted<T extends { from: number; to: number }>(list: readonly T[], at: number | undefined): T[] {
  if (at === undefined) return [...list];
  return list.flatMap((s) =>
    at > s.from && at < s.to
      ? [
          { ...s, to: at },
          { ...s, from: at },
        ]
      : [s],
  );
}

function limbSays(l: Limb, units: Units): string {
  const parts = [
    l.id,
    l.parent ? `on ${l.parent}` : 'stem',
    `${say(l.length_cm, 'cm', units)} long`,
    `${say(l.diameter_mm, 'mm', units)} thick`,
    l.source,
  ];
  if (l.dead_from_cm !== undefined) parts.push('dead wood');
  return parts.join(', ');
}
