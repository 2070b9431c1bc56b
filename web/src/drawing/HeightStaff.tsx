interface Props {
  x: number;
  foot: number;
  heightM: number;
  reachM: number;
  label?: string;
  /** The height that a neighbour's light allows, with its number; 0: none binds it. */
  capM?: number;
  capLabel?: string;
}

const perMetre = 11;

/** A small staff: wood to the reach line, hollow above it, a tick each metre, the number on top. */
export function HeightStaff({ x, foot, heightM, reachM, label, capM = 0, capLabel }: Props) {
  const y = (m: number) => foot - m * perMetre;
  const over = heightM > reachM + 0.05;
  const top = Math.max(3, Math.ceil(Math.max(heightM, reachM)));
  const capY = y(Math.min(capM, top + 0.4));
  return (
    <g aria-hidden="true">
      <path d={`M${String(x - 4)} ${String(foot)}V${String(y(top))}`} stroke="var(--quiet)" strokeWidth={0.8} />
      {Array.from({ length: top + 1 }, (_, m) => (
        <path key={m} d={`M${String(x - 6.5)} ${String(y(m))}h2.5`} stroke="var(--quiet)" strokeWidth={0.8} />
      ))}
      {heightM > 0 && (
        <rect
          x={x - 2.5}
          y={y(Math.min(heightM, reachM))}
          width={5}
          height={Math.min(heightM, reachM) * perMetre}
          fill="var(--wood-two)"
        />
      )}
      {over && (
        <rect
          x={x - 2.5}
          y={y(heightM)}
          width={5}
          height={(heightM - reachM) * perMetre}
          fill="var(--ground)"
          stroke="var(--autumn)"
          strokeWidth={1}
        />
      )}
      <path d={`M${String(x - 7)} ${String(y(reachM))}h14`} stroke="var(--leaf)" strokeWidth={2.2} />
      {capM > 0 && (
        <g>
          <path
            d={`M${String(x - 7)} ${String(capY)}h14M${String(x)} ${String(capY)}l-3 -4h6Z`}
            stroke="var(--winter)"
            strokeWidth={1.6}
            fill="var(--winter)"
          />
          <text className="halo" x={x + 6} y={foot - 1} fontSize={12} style={{ fill: 'var(--ink)' }}>
            ≤ {capLabel}
          </text>
        </g>
      )}
      {label && (
        <text
          className="halo"
          x={x + 1}
          y={Math.min(y(heightM), y(reachM)) - 5}
          textAnchor="middle"
          fontSize={12}
          fontWeight={over ? 700 : 400}
          style={{ fill: over ? 'var(--autumn-text)' : 'var(--quiet)' }}
        >
          {label}
        </text>
      )}
    </g>
  );
}
