import { marksOf, type Scale } from '../drawing/scale';

interface Props {
  scale: Scale;
  from: number; // cm
  to: number;
  x: number; // where the scale stands on the drawing
  y: (cm: number) => number;
}

/** How high it is, beside a young tree's stem. */
export function Marks({ scale, from, to, x, y }: Props) {
  return marksOf(scale, from, to).map((cm) => (
    <g key={cm}>
      <path d={`M${String(x)} ${String(y(cm))}h6`} stroke="var(--rule-strong)" />
      <text x={x - 4} y={y(cm) + 4} fontSize={12} textAnchor="end">
        {scale.says(cm)}
      </text>
    </g>
  ));
}
