import type { ReactNode } from 'react';
import s from './segments.module.css';

/** One of a few: its value, and how it is named. */
export interface Segment<T> {
  value: T;
  name: ReactNode;
}

interface Look {
  /** What the choice is about; none where a legend says it. */
  label?: string;
  small?: boolean;
  /** More than fit in a row: each stands by itself. */
  wrap?: boolean;
  className?: string;
}

const look = ({ small, wrap, className }: Look) =>
  [s.row, small && s.small, wrap && s.wrap, className].filter(Boolean).join(' ');

interface Props<T> extends Look {
  all: readonly Segment<T>[];
  value: T | undefined;
  onChange: (value: T) => void;
}

/** A choice of one among a few, side by side. */
export function Segments<T extends string | number | boolean>({ all, value, onChange, ...p }: Props<T>) {
  return (
    <div className={look(p)} role="group" aria-label={p.label}>
      {all.map((one) => (
        <button
          key={String(one.value)}
          type="button"
          aria-pressed={one.value === value}
          onClick={() => onChange(one.value)}
        >
          {one.name}
        </button>
      ))}
    </div>
  );
}

/** Places and acts side by side, drawn as a choice. */
export function SegmentRow({ children, nav = false, ...p }: Look & { children: ReactNode; nav?: boolean }) {
  return nav ? (
    <nav className={look(p)} aria-label={p.label}>
      {children}
    </nav>
  ) : (
    <div className={look(p)} role="group" aria-label={p.label}>
      {children}
    </div>
  );
}
