import type { ReactNode } from 'react';
import type { Spot } from './wood';

interface Props {
  at: Spot; // the spot of the tree that is told of
  label: Spot; // the middle of the letter
  letter: string;
  fill: string; // of the letter
  onPick: () => void;
  children: ReactNode; // what marks the spot, and the letter's ground
}

/** A letter beside a drawing, with a line to the spot it tells of. */
export function Tag({ at, label, letter, fill, onPick, children }: Props) {
  return (
    <g
      role="presentation"
      onClick={(e) => {
        e.stopPropagation();
        onPick();
      }}
    >
      <path
        d={`M${label.x.toFixed(1)} ${label.y.toFixed(1)}L${at.x.toFixed(1)} ${at.y.toFixed(1)}`}
        stroke="var(--ink)"
        strokeWidth={0.9}
        pointerEvents="none"
      />
      {children}
      <text x={label.x} y={label.y + 4.3} textAnchor="middle" fontSize={12} fontWeight={700} style={{ fill }}>
        {letter}
      </text>
    </g>
  );
}
