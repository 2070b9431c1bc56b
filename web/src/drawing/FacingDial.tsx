interface Props {
  x: number;
  y: number;
  /** Where the bud faces, seen from above. */
  bearing: number;
  /** -1 straight down to 1 straight up. */
  rise: number;
  outward: number;
  sure: boolean;
}

const r = 10;
const arcHalf = 50;

/** A compass seen from above with a tick at north: the needle is the bud, the arc what is outward here. */
export function FacingDial({ x, y, bearing, rise, outward, sure }: Props) {
  const off = Math.abs(((bearing - outward + 540) % 360) - 180);
  const inside = off <= arcHalf;
  const steep = Math.abs(rise) > 0.766;
  const at = (deg: number, k: number) =>
    `${(x + r * k * Math.sin((deg * Math.PI) / 180)).toFixed(1)} ${(y - r * k * Math.cos((deg * Math.PI) / 180)).toFixed(1)}`;
  const length = Math.max(0.25, Math.sqrt(Math.max(0, 1 - rise * rise)));
  return (
    <g aria-hidden="true">
      <circle
        cx={x}
        cy={y}
        r={r}
        fill="var(--sheet)"
        stroke="var(--rule-strong)"
        strokeDasharray={sure ? undefined : '2 2'}
      />
      <path
        d={`M${at(outward - arcHalf, 1.18)}A${String(r * 1.18)} ${String(r * 1.18)} 0 0 1 ${at(outward + arcHalf, 1.18)}`}
        fill="none"
        stroke="var(--leaf)"
        strokeWidth={2}
      />
      <path d={`M${at(0, 1)}L${at(0, 0.7)}`} stroke="var(--ink)" />
      {steep ? (
        <circle
          cx={x}
          cy={y}
          r={rise > 0 ? 3.4 : 2.4}
          fill={rise > 0 ? 'var(--ink)' : 'var(--sheet)'}
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
      ) : (
        <path
          d={`M${x.toFixed(1)} ${y.toFixed(1)}L${at(bearing, 0.86 * length + 0.1)}`}
          stroke={inside ? 'var(--leaf)' : 'var(--ink)'}
          strokeWidth={inside ? 3 : 1.6}
          strokeLinecap="round"
        />
      )}
    </g>
  );
}
