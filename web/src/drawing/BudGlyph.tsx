interface Props {
  kind: string;
  up: boolean;
  seen?: boolean;
}

/** A bud by its kind, standing on the wood at 0: slim leaf buds lean to the tip, fruit buds are round with two scale lines. */
export function BudGlyph({ kind, up, seen }: Props) {
  return (
    <g transform={up ? '' : 'scale(1 -1)'}>
      <Shape kind={kind} />
      {seen && <circle cx={0} cy={-17} r={1.8} fill="var(--ink)" />}
    </g>
  );
}

function Shape({ kind }: { kind: string }) {
  switch (kind) {
    case 'flower':
    case 'mixed':
      return <Fruit x={0} />;
    case 'spur':
      return (
        <g>
          <path d="M-2 0V-5h4V0" fill="var(--wood-two)" />
          <g transform="translate(0 -4)">
            <Fruit x={0} />
          </g>
        </g>
      );
    case 'triple':
      return (
        <g>
          <Fruit x={-5.5} />
          <Fruit x={5.5} />
          <Leaf />
        </g>
      );
    case 'double':
      return (
        <g>
          <Fruit x={-3.5} />
          <g transform="translate(4 0)">
            <Leaf />
          </g>
        </g>
      );
    case 'latent':
      return <path d="M-4 0a4 3 0 0 1 8 0" fill="none" stroke="var(--rule-strong)" strokeWidth={1.2} />;
    case 'blind':
      return <path d="M-5 0q5 -4 10 0" fill="none" stroke="var(--wood-two)" strokeWidth={1.6} strokeDasharray="2 2" />;
    default:
      return <Leaf />;
  }
}

function Leaf() {
  return (
    <path d="M-3 0C-3 -6 0 -10 4 -13C4 -8 4 -3 3 0Z" fill="var(--wood-last)" stroke="var(--wood-two)" strokeWidth={1} />
  );
}

function Fruit({ x }: { x: number }) {
  return (
    <g transform={`translate(${String(x)} 0)`}>
      <path
        d="M-4.5 -1C-6 -7 -3 -12 0 -13C3 -12 6 -7 4.5 -1Z"
        fill="var(--spring)"
        fillOpacity={0.75}
        stroke="var(--spring-text)"
        strokeWidth={1}
      />
      <path d="M-4.6 -4.5q4.6 2.6 9.2 0M-4 -8q4 2.2 8 0" fill="none" stroke="var(--spring-text)" strokeWidth={0.8} />
    </g>
  );
}
